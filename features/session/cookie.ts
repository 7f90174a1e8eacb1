import 'server-only';
import { getIronSession } from 'iron-session';
import { cookies } from 'next/headers';

/** The cookie seals a session's id and nothing else; its row in the database decides what it is worth. */
interface Sealed {
  sessionId?: string;
}

export async function sealedCookie() {
  // Asked first: it tells Next that the page depends on the request.
  const store = await cookies();
  const password = process.env.LATTICE_SESSION_SECRET;
  if (!password || password.length < 32) {
    throw new Error('LATTICE_SESSION_SECRET must hold at least 32 characters. Start the application with bin/start.');
  }
  return getIronSession<Sealed>(store, {
    cookieName: 'lattice',
    password,
    // Served on loopback without TLS; behind a proxy with TLS, LATTICE_SECURE_COOKIE=1 confines it to https.
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure: process.env.LATTICE_SECURE_COOKIE === '1', path: '/' },
  });
}
