/** The date so many months after a moment, as "2027-02-28"; a day the month lacks becomes its last day. UTC. */
export function addMonths(iso: string, months: number): string {
  const from = new Date(iso);
  const year = from.getUTCFullYear();
  const month = from.getUTCMonth() + months;
  const last = new Date(Date.UTC(year, month + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month, Math.min(from.getUTCDate(), last))).toISOString().slice(0, 10);
}
