const digits = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** Base64 of RFC 4648 §4. */
export function toBase64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 3) {
    const three = (bytes[at]! << 16) | ((bytes[at + 1] ?? 0) << 8) | (bytes[at + 2] ?? 0);
    parts.push(
      digits[three >> 18]! +
        digits[(three >> 12) & 63]! +
        (at + 1 < bytes.length ? digits[(three >> 6) & 63]! : '=') +
        (at + 2 < bytes.length ? digits[three & 63]! : '='),
    );
  }
  return parts.join('');
}
