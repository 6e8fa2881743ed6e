import { NextResponse, type NextRequest } from 'next/server';
import { asksForPassword, isOpen, isTicket, TICKET_COOKIE } from '@/server/access';
import { isOurHost } from '@/server/hosts';

/**
 * Answers only to the server's own names and, where there is a password, to those who gave it; gives every page a strict content policy
 * with a fresh nonce, and the usual protective headers.
 */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  if (!isOurHost(request.headers.get('host'), process.env.HOST, process.env.ALLOWED_HOSTS)) {
    const plain = 'This server does not go by that name. Open it by the address it printed, or list the name in ALLOWED_HOSTS.\n';
    return new NextResponse(plain, { status: 421, headers: PLAIN });
  }
  if (!isReadable(request.nextUrl.pathname)) return new NextResponse('This address cannot be read.\n', { status: 400, headers: PLAIN });
  if (asksForPassword() && !isOpen(request.nextUrl.pathname) && !(await isTicket(request.cookies.get(TICKET_COOKIE)?.value)))
    return askForPassword(request);
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
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=()');
  if (request.nextUrl.pathname.startsWith('/api/')) response.headers.set('cache-control', 'no-store');
  return response;
}

const PLAIN = { 'content-type': 'text/plain; charset=utf-8' };

/** A page leads to where the password is given and back; a request for data is refused in a way the page that made it understands. */
function askForPassword(request: NextRequest): NextResponse {
  const { pathname, search } = request.nextUrl;
  if (pathname.startsWith('/api/')) {
    const error = { code: 'locked', message: 'the password is asked for', reasons: [] };
    return NextResponse.json({ error }, { status: 401, headers: { 'cache-control': 'no-store' } });
  }
  const enter = request.nextUrl.clone();
  enter.pathname = '/enter';
  enter.search = `?to=${encodeURIComponent(pathname + search)}`;
  return NextResponse.redirect(enter, { headers: { 'cache-control': 'no-store' } });
}

function isReadable(pathname: string): boolean {
  try {
    return decodeURIComponent(pathname) !== '';
  } catch {
    return false;
  }
}

export const config = { matcher: ['/((?!_next/static|favicon.ico).*)'] };
