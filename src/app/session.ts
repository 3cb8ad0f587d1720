/** Over TLS the name itself says that the cookie is this host's and secure (RFC 6265bis, "__Host-" prefix; from memory). */
export const SESSION_COOKIES = { plain: 'able_session', secure: '__Host-able_session' } as const;

/** The token of the session in a `cookie` header; null where there is none. */
export function sessionTokenIn(header: string): string | null {
  const cookies = header.split(/;\s*/);
  for (const name of [SESSION_COOKIES.secure, SESSION_COOKIES.plain]) {
    const found = cookies.find((one) => one.startsWith(`${name}=`));
    if (found) return found.slice(name.length + 1);
  }
  return null;
}
