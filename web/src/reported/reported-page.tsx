import { Link } from 'react-router';
import { TopBar } from '../frame/top-bar';
import { OneCoefficient } from './one-coefficient';
import { SampleSizeForDifference, SampleSizeForWidth } from './planned-precision';
import { SampleSize } from './sample-size';
import { TwoCoefficients } from './two-coefficients';

/** Calculators for figures that others reported: no data are needed. */
export function ReportedPage() {
  return (
    <>
      <TopBar study={null} />
      <main className="mx-auto max-w-5xl px-6 py-8">
        <p className="mb-3">
          <Link to="/" className="text-accent underline">
            Home
          </Link>
        </p>
        <h1 className="mb-1 text-[24px]">From reported figures</h1>
        <p className="mb-6 max-w-2xl font-serif text-[17px]">
          What follows from a coefficient and its n as a paper gives them, without the data behind them.
        </p>
        <div className="grid gap-8 md:grid-cols-2">
          <OneCoefficient />
          <TwoCoefficients />
          <SampleSize />
          <SampleSizeForWidth />
          <SampleSizeForDifference />
        </div>
      </main>
    </>
  );
}
