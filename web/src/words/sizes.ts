/** How large a file is. */
const KB = 1024

/** @param bytes As `12 KB`, `3.4 MB`; what is there is 1 KB at least. */
export function sizeWords(bytes: number): string {
  if (bytes === 0) return '0 KB'
  const kilobytes = bytes / KB
  return kilobytes < KB ? `${Math.max(1, Math.round(kilobytes))} KB` : `${(kilobytes / KB).toFixed(1)} MB`
}
