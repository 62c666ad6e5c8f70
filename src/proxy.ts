import { type NextRequest, NextResponse } from "next/server";

/** An address that no browser makes by itself: text that cannot be read, or a zero character. */
function isImpossible(path: string): boolean {
  try {
    return decodeURIComponent(path).includes("\u0000");
  } catch {
    return true;
  }
}

/** Said as every route says it, and as a plain page elsewhere. */
function nowhere(path: string): NextResponse {
  const sentence = "There is nothing at this address. Go back to Today.";
  return path.startsWith("/api/")
    ? NextResponse.json({ problems: [{ field: "", sentence }] }, { status: 404 })
    : new NextResponse(sentence, { status: 404, headers: { "content-type": "text/plain; charset=utf-8" } });
}

/**
 * A fresh nonce for every page and a strict content security policy: scripts and styles of our own only, nothing from
 * elsewhere, no frames. Development needs eval and inline styles for reloading.
 */
export function proxy(request: NextRequest): NextResponse {
  if (isImpossible(request.nextUrl.pathname)) return nowhere(request.nextUrl.pathname);
  const nonce = btoa(crypto.randomUUID());
  const dev = process.env.NODE_ENV === "development";
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ""}`,
    dev ? "style-src 'self' 'unsafe-inline'" : `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("x-path", `${request.nextUrl.pathname}${request.nextUrl.search}`);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("referrer-policy", "same-origin");
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("permissions-policy", "camera=(), microphone=(), geolocation=()");
  // what a link opens is nobody's to keep or to find
  if (/^\/(m|h|api\/l)\//.test(request.nextUrl.pathname)) {
    response.headers.set("cache-control", "no-store");
    response.headers.set("x-robots-tag", "noindex, nofollow");
  }
  return response;
}

/** What passes here is held in memory, and cut off at 10 MB: files come in smaller pieces. */
export const config = { matcher: ["/((?!_next/static|_next/image|favicon.ico).*)"] };
