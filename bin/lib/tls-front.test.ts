import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import net from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

const folder = mkdtempSync(path.join(tmpdir(), 'lattice-tls-'));
const [key, cert] = ['key.pem', 'cert.pem'].map((name) => path.join(folder, name));
const free = () =>
  new Promise<number>((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });
let front: ChildProcess;
let port: number;
let behind: http.Server;
let sockets: net.Socket[] = [];

beforeAll(async () => {
  execFileSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:prime256v1',
      '-nodes',
      '-days',
      '2',
      '-subj',
      '/CN=localhost',
      '-keyout',
      key,
      '-out',
      cert,
    ],
    { stdio: 'ignore' },
  );
  behind = http.createServer((_, response) => {
    response.writeHead(200, { 'content-type': 'text/event-stream' });
    response.write('event: now\ndata: 1\n\n');
  });
  behind.on('connection', (socket) => sockets.push(socket));
  await new Promise<void>((resolve) => behind.listen(0, '127.0.0.1', resolve));
  port = await free();
  front = spawn(process.execPath, [
    path.join(import.meta.dirname, 'tls-front.mjs'),
    '127.0.0.1',
    String(port),
    cert,
    key,
    String((behind.address() as net.AddressInfo).port),
  ]);
  await new Promise((resolve) => front.stdout!.once('data', resolve));
});
afterAll(() => {
  front.kill();
  behind.close();
  rmSync(folder, { recursive: true });
});

/** Opens a stream through the front. @returns its headers, and a promise of its end */
function listen(): Promise<{ headers: http.IncomingHttpHeaders; ended: Promise<void> }> {
  return new Promise((resolve, reject) => {
    const asked = https.get({ host: '127.0.0.1', port, rejectUnauthorized: false }, (answer) => {
      const ended = new Promise<void>((done) => {
        answer.once('close', done);
        answer.once('error', () => done());
      });
      answer.once('data', () => resolve({ headers: answer.headers, ended }));
    });
    asked.once('error', reject);
  });
}

test('a stream whose application dies ends for whoever listens, and TLS is kept to', async () => {
  const { headers, ended } = await listen();
  expect(headers['strict-transport-security']).toMatch(/^max-age=\d{7,}/);
  for (const socket of sockets) socket.destroy();
  sockets = [];
  const late = new Promise<string>((resolve) => setTimeout(() => resolve('still open'), 3000).unref());
  expect(await Promise.race([ended.then(() => 'ended'), late])).toBe('ended');
});
