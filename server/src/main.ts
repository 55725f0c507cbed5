import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createApp } from './app';
import { serve } from './serve';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env['PORT'] ?? '4180' },
    // Nobody else's machine, unless the player says so.
    host: { type: 'string', default: '127.0.0.1' },
    demo: { type: 'boolean', default: false },
  },
});
const root = fileURLToPath(new URL('../../web/dist', import.meta.url));
if (!existsSync(`${root}/index.html`)) {
  console.error('The application is not built yet: npm run build');
  process.exit(1);
}
// Errors are answered without their stack.
process.env['NODE_ENV'] ??= 'production';
const server = serve(createApp(root)).listen(Number(values.port), values.host, () => {
  console.log(`Inner Hum: http://localhost:${values.port}/${values.demo ? '?demo' : ''}`);
});
server.on('error', (error) => {
  console.error(`Port ${values.port} can't be used (${error.message}). Choose another: --port 4181`);
  process.exit(1);
});
