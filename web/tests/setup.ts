import { cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';

/** jsdom lays nothing out; what watches sizes is told none. */
class StillObserver implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
// Not as stubs, which a test may take away after itself.
Object.assign(globalThis, {
  ResizeObserver: StillObserver,
  matchMedia: () => ({ matches: false, addEventListener() {}, removeEventListener() {} }),
});

// What is waited for may take its time on a busy machine.
configure({ asyncUtilTimeout: 10_000 });
afterEach(cleanup);
