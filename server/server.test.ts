import { mkdtempSync, mkdirSync, symlinkSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { createServer } from './app';
import { listenFrom, shownHost, whereToListen } from './listen';

const root = mkdtempSync(path.join(os.tmpdir(), 'zoarium-server-'));
mkdirSync(path.join(root, 'js'));
writeFileSync(path.join(root, 'index.html'), '<!doctype html><title>Zoarium</title>');
writeFileSync(path.join(root, 'js', `entry-${'0'.repeat(32)}.js`), `// ${'x'.repeat(4000)}`);
const app = createServer(root);

describe('the server', () => {
  it('answers every route of the app with the app, and never lets it go stale', async () => {
    for (const address of ['/', '/water/ammonia', '/log/entry/123']) {
      const response = await request(app).get(address);
      expect(response.status).toBe(200);
      expect(response.text).toContain('Zoarium');
      expect(response.headers['cache-control']).toBe('no-store');
    }
  });

  it('gives out nothing that a link leads to outside of its folder', async () => {
    const outside = mkdtempSync(path.join(os.tmpdir(), 'zoarium-outside-'));
    writeFileSync(path.join(outside, 'secret.txt'), 'secret');
    symlinkSync(path.join(outside, 'secret.txt'), path.join(root, 'link.txt'));
    symlinkSync(outside, path.join(root, 'linked'));
    for (const address of ['/link.txt', '/linked/secret.txt', '/linked', '/..%2f..%2fetc/passwd']) {
      const response = await request(app).get(address);
      expect(response.text).not.toContain('secret');
      expect([404, 400, 403]).toContain(response.status);
    }
    expect((await request(app).get('/js/../index.html')).status).toBe(200);
  });

  it('lets a page do nothing with a device that it has no use for', async () => {
    const { headers } = await request(app).get('/');
    for (const name of ['camera', 'microphone', 'geolocation', 'usb']) {
      expect(headers['permissions-policy']).toContain(`${name}=()`);
    }
  });

  it('has a browser fetch everything anew where that is asked for, and keep its log', async () => {
    const response = await request(app).get('/anew');
    expect(response.status).toBe(302);
    expect(response.headers['location']).toBe('/');
    expect(response.headers['clear-site-data']).toBe('"cache"');
  });

  it('names an address of IPv6 as a browser takes it', () => {
    expect(['::1', '::', '0.0.0.0', '127.0.0.1', 'tank.local'].map(shownHost)).toEqual([
      '[::1]',
      'localhost',
      'localhost',
      '127.0.0.1',
      'tank.local',
    ]);
  });

  it('does not answer for a file that is not there', async () => {
    expect((await request(app).get('/js/gone.js')).status).toBe(404);
  });

  it('compresses, and keeps hashed files for ever', async () => {
    const response = await request(app)
      .get(`/js/entry-${'0'.repeat(32)}.js`)
      .set('Accept-Encoding', 'gzip');
    expect(response.headers['content-encoding']).toBe('gzip');
    expect(response.headers['cache-control']).toContain('immutable');
  });

  it('answers an address that cannot be read in words, without a stack or a path', async () => {
    for (const address of ['/%', '/%E0%A4%A', '/water/%ff.js']) {
      const response = await request(app).get(address);
      expect(response.status).toBe(400);
      expect(response.text).toBe('This address cannot be read.');
    }
  });

  it('listens on this machine alone unless told otherwise', () => {
    expect(whereToListen({})).toEqual({ host: '127.0.0.1', port: 8080 });
    expect(whereToListen({ HOST: '', PORT: '' })).toEqual({ host: '127.0.0.1', port: 8080 });
    expect(whereToListen({ HOST: '0.0.0.0', PORT: '90' })).toEqual({ host: '0.0.0.0', port: 90 });
    expect(() => whereToListen({ PORT: 'http' })).toThrow(/"http", which is no port/);
  });

  it('sends a strict content policy', async () => {
    const { headers } = await request(app).get('/');
    const policy = headers['content-security-policy'] ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toContain('unsafe');
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('takes the next free port when one is in use', async () => {
    const first = await listenFrom(app, '127.0.0.1', 0);
    const second = await listenFrom(app, '127.0.0.1', first.port);
    expect(second.port).toBeGreaterThan(first.port);
    first.server.close();
    second.server.close();
  });
});
