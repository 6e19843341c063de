import { expose } from 'comlink';
import { predictorComputing } from '../src/predictors/computing';
import { setsComputing } from '../src/predictors/sets-computing';
import { createComputing } from '../src/stages/scatterplots/plotting/computing';
import { createDrawing } from '../src/stages/scatterplots/plotting/drawing';

/** A worker that runs in the test's own process, and is spoken to through messages all the same. */
export class WorkerInProcess {
  readonly #port: MessagePort;

  constructor(address: URL | string) {
    const { port1, port2 } = new MessageChannel();
    const name = String(address);
    expose(
      name.includes('sets.worker')
        ? setsComputing
        : name.includes('predictors')
          ? predictorComputing
          : name.includes('plotter')
            ? createDrawing()
            : createComputing(),
      port2,
    );
    port1.start();
    this.#port = port1;
  }

  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.#port.postMessage(message, transfer);
  }

  addEventListener(type: 'message', listener: (event: MessageEvent) => void): void {
    this.#port.addEventListener(type, listener);
  }

  removeEventListener(type: 'message', listener: (event: MessageEvent) => void): void {
    this.#port.removeEventListener(type, listener);
  }

  terminate(): void {
    this.#port.close();
  }
}
