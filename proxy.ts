import { NextResponse, type NextRequest } from 'next/server';
import { isOurHost } from '@/server/hosts';

/** Answers only to the server's own names, and gives every page a strict content policy with a fresh nonce, and the usual protective headers. */
export function proxy(request: NextRequest): NextResponse {
  if (!isOurHost(request.headers.get('host'), process.env.HOST, process.env.ALLOWED_HOSTS)) {
    const plain = 'This server does not go by that name. Open it by the address it printed, or list the name in ALLOWED_HOSTS.\n';
    return new NextResponse(plain, { status: 421, headers: PLAIN });
  }
  if (!isReadable(request.nextUrl.pathname)) return new NextResponse('This address cannot be read.\n', { status: 400, headers: PLAIN });
  const nonce = btoa(crypto.randomUUID());
  const development = process.env.NODE_ENV === 'development';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    // The interface kit writes its own style rules as it runs, some without a nonce; rules it writes can run nothing.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('cross-origin-resource-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), bluetooth=()');
  if (request.nextUrl.pathname.startsWith('/api/')) response.headers.set('cache-control', 'no-store');
  return response;
}

const PLAIN = { 'content-type': 'text/plain; charset=utf-8' };

function isReadable(pathname: string): boolean {
  try {
    return decodeURIComponent(pathname) !== '';
  } catch {
    return false;
  }
}

export const config = { matcher: ['/((?!_next/static|favicon.ico).*)'] };
