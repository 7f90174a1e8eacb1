import { NextResponse, type NextRequest } from 'next/server';

/**
 * Pages run the scripts that this server wrote into them, and no other: each answer has a number of its own
 * that its scripts bear.
 */
export function proxy(request: NextRequest): NextResponse {
  // While it is worked on, the framework evaluates what it loads anew.
  if (process.env.NODE_ENV !== 'production') return NextResponse.next();
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    // Styles of elements are figures of drawings; a sheet of styles bears the number, too.
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  // The framework reads the number from here and gives it to its own scripts.
  headers.set('content-security-policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}

/** Pages; what answers with data, and files as they are, run no scripts. */
export const config = { matcher: ['/((?!api/|_next/static|_next/image|.*\\.[a-z0-9]+$).*)'] };
