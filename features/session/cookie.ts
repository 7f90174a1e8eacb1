import 'server-only';
import { createHash, randomUUID } from 'node:crypto';
import { getIronSession } from 'iron-session';
import { cookies } from 'next/headers';

/** The cookie seals a session's id and nothing else; its row in the database decides what it is worth. */
interface Sealed {
  sessionId?: string;
}

/**
 * Addresses that somebody signed in with on this device, hashed: tries of strangers elsewhere do not count
 * against it.
 */
interface Device {
  id?: string;
  addresses?: string[];
}

const MOST_ADDRESSES = 20;
const DEVICE_SECONDS = 180 * 24 * 3600;

export const sealedCookie = () => sealed<Sealed>('lattice');
const deviceCookie = () => sealed<Device>('lattice-device', DEVICE_SECONDS);

const hashOf = (address: string) => createHash('sha256').update(address.trim().toLowerCase()).digest('hex');

/** The name of this device where somebody signed in on it with this address before. */
export async function deviceOf(address: string): Promise<string | undefined> {
  const { id, addresses = [] } = await deviceCookie();
  return addresses.includes(hashOf(address)) ? id : undefined;
}

/** Remembers on this device that somebody signed in with this address. */
export async function rememberDevice(address: string): Promise<void> {
  const cookie = await deviceCookie();
  const own = hashOf(address);
  cookie.id ??= randomUUID();
  cookie.addresses = [own, ...(cookie.addresses ?? []).filter((other) => other !== own)].slice(
    0,
    MOST_ADDRESSES,
  );
  await cookie.save();
}

async function sealed<T extends object>(cookieName: string, ttl?: number) {
  // Asked first: it tells Next that the page depends on the request.
  const store = await cookies();
  const password = process.env.LATTICE_SESSION_SECRET;
  if (!password || password.length < 32) {
    throw new Error(
      'LATTICE_SESSION_SECRET must hold at least 32 characters. Start the application with bin/start.',
    );
  }
  return getIronSession<T>(store, {
    cookieName,
    password,
    ...(ttl !== undefined && { ttl }),
    // Served on loopback without TLS; behind a proxy with TLS, LATTICE_SECURE_COOKIE=1 confines it to https.
    cookieOptions: {
      httpOnly: true,
      sameSite: 'lax',
      secure: process.env.LATTICE_SECURE_COOKIE === '1',
      path: '/',
    },
  });
}
