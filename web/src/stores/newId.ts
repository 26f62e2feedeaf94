/**
 * An id made here and nowhere else: 128 random bits in hexadecimal. Works on pages without HTTPS
 * too.
 */
export const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) =>
    b.toString(16).padStart(2, '0'),
  ).join('')
