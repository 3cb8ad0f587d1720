/** A file of a package: kept by the browser for good (a version never changes), and shut in wherever it is opened. */
export const assetResponse = ({ mediaType, bytes }: { mediaType: string; bytes: Buffer }): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': mediaType,
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'x-content-type-options': 'nosniff',
    },
  });
