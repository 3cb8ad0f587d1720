/** Over TLS the name itself says that the cookie is this host's and secure (RFC 6265bis, "__Host-" prefix; from memory). */
export const SESSION_COOKIES = { plain: 'able_session', secure: '__Host-able_session' } as const;

/** What a cookie of a `cookie` header holds; null where there is none. */
export function cookieIn(header: string, name: string): string | null {
  const found = header.split(/;\s*/).find((one) => one.startsWith(`${name}=`));
  return found?.slice(name.length + 1) ?? null;
}

/** The token of the session in a `cookie` header; null where there is none. */
export function sessionTokenIn(header: string): string | null {
  return cookieIn(header, SESSION_COOKIES.secure) ?? cookieIn(header, SESSION_COOKIES.plain);
}
