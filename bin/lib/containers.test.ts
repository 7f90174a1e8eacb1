import { readFileSync } from 'node:fs';
import { validate } from 'dockerfile-utils';
import { parse } from 'yaml';

const read = (file: string) => readFileSync(file, 'utf8');
const compose = parse(read('compose.yaml')) as {
  services: Record<
    string,
    {
      build?: string;
      image?: string;
      command?: string[];
      environment?: Record<string, string>;
      depends_on?: Record<string, { condition: string }>;
      volumes?: string[];
    }
  >;
  volumes: Record<string, unknown>;
};

test('the Dockerfile says nothing that a builder would refuse or warn of', () => {
  expect(
    validate(read('Dockerfile')).map(({ range, message }) => `line ${range.start.line + 1}: ${message}`),
  ).toEqual([]);
});

test('what it copies and runs is there: the build, the server, the setup', () => {
  const commands = [...read('Dockerfile').matchAll(/^(?:CMD|HEALTHCHECK.*CMD) (\[.*\])$/gm)].map(
    ([, own]) => JSON.parse(own) as string[],
  );
  expect(commands.at(-1)).toEqual([
    'node',
    'node_modules/next/dist/bin/next',
    'start',
    '-H',
    '0.0.0.0',
    '-p',
    '4600',
  ]);
  const scripts = [...commands.flat(), ...compose.services.setup.command!].filter((word) =>
    /^(node_modules|data)\//.test(word),
  );
  expect(scripts.length).toBeGreaterThan(2);
  for (const script of scripts) expect(() => read(script)).not.toThrow();
  // Nothing of a clone's own goes into the image.
  for (const own of ['.local', '.git', 'node_modules', '.next'])
    expect(read('.dockerignore').split('\n')).toContain(own);
});

test('services that wait for others, volumes and secrets are named', () => {
  const { services, volumes } = compose;
  for (const [name, own] of Object.entries(services)) {
    expect([name, Boolean(own.build) !== Boolean(own.image)]).toEqual([name, true]);
    for (const other of Object.keys(own.depends_on ?? {})) expect(Object.keys(services)).toContain(other);
    for (const volume of own.volumes ?? []) expect(Object.keys(volumes)).toContain(volume.split(':')[0]);
  }
  // A secret that is missing stops it, and none has a value here.
  const secrets = [...read('compose.yaml').matchAll(/\$\{([^}]*)\}/g)].map(([, own]) => own);
  expect(new Set(secrets)).toEqual(
    new Set([
      'owner_password:?in secrets.env',
      'app_password:?in secrets.env',
      'session_secret:?in secrets.env',
      'LATTICE_ADDRESS:-',
    ]),
  );
});
