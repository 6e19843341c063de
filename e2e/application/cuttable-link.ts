import { connect, createServer, type Socket } from 'node:net';

/** A port that passes bytes on to another one, until it is cut. */
export interface CuttableLink {
  readonly port: number;
  cut(): void;
  mend(): void;
  close(): Promise<void>;
}

export async function createCuttableLink(host: string, port: number): Promise<CuttableLink> {
  const sockets = new Set<Socket>();
  let isCut = false;
  const server = createServer((near) => {
    if (isCut) {
      near.destroy();
      return;
    }
    const far = connect(port, host);
    for (const socket of [near, far]) {
      sockets.add(socket);
      socket.on('error', () => socket.destroy());
      socket.on('close', () => {
        sockets.delete(socket);
        near.destroy();
        far.destroy();
      });
    }
    near.pipe(far).pipe(near);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  if (typeof address !== 'object' || address === null) throw new Error('the link has no port');
  const cut = () => {
    isCut = true;
    for (const socket of sockets) socket.destroy();
  };
  return {
    port: address.port,
    cut,
    mend: () => {
      isCut = false;
    },
    close: () => {
      cut();
      return new Promise((resolve) => server.close(() => resolve()));
    },
  };
}
