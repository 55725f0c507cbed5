import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createApp } from '../../server/src/app';
import { serve } from '../../server/src/serve';

/** The built application served for one test, at an address of its own. */
export interface Served {
  readonly url: string;
  /** from now on nobody answers at that address */
  end(): Promise<void>;
}

/** @param host by which name a browser asks for it; only localhost is as trusted as https in every engine */
export async function served(host = 'localhost'): Promise<Served> {
  if (!existsSync('web/dist/index.html')) throw new Error('the application is not built: npm run build');
  const server: Server = serve(createApp(`${process.cwd()}/web/dist`));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    url: `http://${host}:${port}`,
    end: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
