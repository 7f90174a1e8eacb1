// Takes requests over TLS for other devices of the house and hands them to the application on loopback,
// streams included.
// Usage: node tls-front.mjs HOST PORT CERT KEY TARGET-PORT
import { readFileSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import { pipeline } from 'node:stream';

const [host, port, cert, key, target] = process.argv.slice(2);
let options;
try {
  options = { cert: readFileSync(cert), key: readFileSync(key) };
} catch (error) {
  console.error(`The certificate or its key cannot be read: ${error.message}`);
  process.exit(1);
}

/** Of one connection to another: these are said anew for each. */
const HOP_BY_HOP = [
  'connection',
  'keep-alive',
  'proxy-authenticate',
  'proxy-authorization',
  'te',
  'trailer',
  'transfer-encoding',
  'upgrade',
];

let server;
try {
  server = https.createServer(options, (request, response) => {
    const headers = {
      ...request.headers,
      'x-forwarded-for': request.socket.remoteAddress ?? '',
      'x-forwarded-proto': 'https',
      'x-forwarded-host': request.headers.host ?? '',
    };
    for (const name of HOP_BY_HOP) delete headers[name];
    const onward = http.request(
      { host: '127.0.0.1', port: Number(target), method: request.method, path: request.url, headers },
      (answer) => {
        const own = { ...answer.headers };
        for (const name of HOP_BY_HOP) delete own[name];
        // Who came by TLS once comes by TLS from then on.
        own['strict-transport-security'] = 'max-age=31536000';
        response.writeHead(answer.statusCode ?? 502, own);
        // A stream whose application has died ends here too, so that whoever listens asks anew.
        pipeline(answer, response, () => undefined);
      },
    );
    onward.on('error', () => {
      if (response.headersSent) return response.destroy();
      response.writeHead(502, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('The application is starting again. Try once more in a moment.');
    });
    response.on('close', () => onward.destroy());
    pipeline(request, onward, () => undefined);
  });
} catch (error) {
  console.error(`The certificate and its key do not fit: ${error.message}`);
  process.exit(1);
}
server.on('error', (error) => {
  console.error(`${host}:${port} cannot be served: ${error.message}`);
  process.exit(1);
});
server.listen(Number(port), host, () => console.log('ready'));
process.on('SIGTERM', () => process.exit(0));
