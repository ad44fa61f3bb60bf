/**
 * An id no other entry has; readable enough in a file. Without a secure context (a phone that opens the crew laptop) the
 * browser has no `randomUUID`, but still random values.
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(8));
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8)}`;
}
