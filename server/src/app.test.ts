import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { connect, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { createApp } from './app';
import { LIMITS, serve } from './serve';

const root = mkdtempSync(join(tmpdir(), 'served-'));
mkdirSync(join(root, 'assets'));
writeFileSync(join(root, 'index.html'), '<!doctype html><title>page</title>' + ' '.repeat(4000));
writeFileSync(join(root, 'index.html.br'), 'small');
writeFileSync(join(root, 'assets/a-1234.js.br'), 'small');
writeFileSync(join(root, 'assets/a-1234.js'), 'export {};'.repeat(500));
const server = createApp(root).listen(0);
const get = (path: string) => fetch(`http://localhost:${(server.address() as AddressInfo).port}${path}`);
afterAll(() => server.close());

describe('server', () => {
  it('is well', async () => expect(await (await get('/healthz')).text()).toBe('ok'));
  it('isolates the page and forbids foreign and evaluated code', async () => {
    const { headers } = await get('/');
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
    const policy = headers.get('content-security-policy')!;
    expect(policy).toContain("connect-src 'self'");
    expect(policy).not.toContain('unsafe');
    expect(headers.get('permissions-policy')).toContain('microphone=(self)');
    expect(headers.get('x-powered-by')).toBeNull();
  });
  it('keeps hashed files for a year and compresses them', async () => {
    const { headers } = await get('/assets/a-1234.js');
    expect(headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
    expect(headers.get('content-encoding')).toMatch(/gzip|br/);
  });
  it('gives the page for every place, and 404 for a missing asset', async () => {
    const response = await fetch(`http://localhost:${(server.address() as AddressInfo).port}/take/x`, {
      headers: { accept: 'text/html' },
    });
    expect(await response.text()).toContain('<title>page</title>');
    for (const path of [
      '/assets/none.js',
      '/nothing.js',
      '/deep/nothing.css',
      '/index.html.br',
      '/assets/a-1234.js.br',
    ])
      expect((await get(path)).status, path).toBe(404);
  });
  it('answers HEAD like GET, without a body', async () => {
    for (const path of ['/', '/take/x', '/assets/a-1234.js', '/healthz']) {
      const url = `http://localhost:${(server.address() as AddressInfo).port}${path}`;
      const headers = { accept: 'text/html' };
      const [got, head] = await Promise.all([fetch(url, { headers }), fetch(url, { headers, method: 'HEAD' })]);
      expect(head.status, path).toBe(got.status);
      expect(head.headers.get('content-type'), path).toBe(got.headers.get('content-type'));
      expect(await head.text()).toBe('');
    }
  });
});

describe('a connection that never ends its request', () => {
  it('is closed when its time is over', async () => {
    const impatient = serve(createApp(root), { ...LIMITS, headersTimeout: 200, connectionsCheckingInterval: 50 });
    impatient.listen(0);
    const { port } = impatient.address() as AddressInfo;
    const answer = await new Promise<string>((resolve, reject) => {
      let text = '';
      const socket = connect(port, 'localhost', () => socket.write('GET / HTTP/1.1\r\nHost: x\r\n'));
      socket.on('data', (chunk) => (text += String(chunk)));
      socket.on('end', () => resolve(text));
      socket.on('error', reject);
    });
    expect(answer).toContain('408');
    impatient.close();
  });
  it('has the limits that the server is started with', () => {
    const started = serve(createApp(root));
    expect(started).toMatchObject({ headersTimeout: 10_000, requestTimeout: 30_000, keepAliveTimeout: 5_000 });
  });
});
