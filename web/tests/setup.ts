import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

/** jsdom lays nothing out; what watches sizes is told none. */
class StillObserver implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
vi.stubGlobal('ResizeObserver', StillObserver);
vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener() {}, removeEventListener() {} }));

// What is waited for may take its time on a busy machine.
configure({ asyncUtilTimeout: 10_000 });
afterEach(cleanup);
