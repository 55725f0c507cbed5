/** A number with a true minus sign and a fixed number of decimals. */
export function formatNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

/** The same with a plus for what is above 0. */
export function formatSigned(value: number, decimals: number): string {
  const text = formatNumber(value, decimals);
  return value > 0 && Number(text) !== 0 ? `+${text}` : text;
}
