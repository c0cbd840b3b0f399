/** The day as it is now, as the log writes it: `2026-03-01`. */
export const today = (): string => new Date().toISOString().slice(0, 10);
