import { Outlet } from 'react-router';
import { OutageBand } from './outage-band';

/** What every page has: the band that tells of an outage, and the page itself. */
export function Page() {
  return (
    <>
      <OutageBand />
      <Outlet />
    </>
  );
}
