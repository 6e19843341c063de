import { findHelp } from '../../help-texts/find-help';
import type { useHelpAddress } from '../../help-texts/from';
import { PAGES } from '../../help-texts/texts';
import type { FoundItem } from './find-items';

/** So many places of help are listed. */
const MOST = 8;

/** Places of help that hold all words typed; nothing typed lists none. */
export function helpItems(typed: string, address: ReturnType<typeof useHelpAddress>): FoundItem[] {
  return findHelp(typed, MOST).map(({ section: { page, pageName, heading, anchor }, excerpt }) => ({
    id: `help.${page}.${anchor}`,
    group: 'Help',
    name: anchor === null ? pageName : `${pageName}: ${heading}`,
    remark: PAGES.find(({ id }) => id === page && anchor === null)?.remark ?? excerpt,
    to: address(page, anchor),
  }));
}
