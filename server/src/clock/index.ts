/** What time it is here. A demo stands on its stated day and keeps the real time of day. */
export interface Clock {
  now(): Date;
  /** today's calendar day */
  today(): string;
}

/** @param statedDay "2026-06-09" for a demo; the real clock when undefined */
export function clockFor(statedDay?: string): Clock {
  const now = () => {
    const real = new Date();
    return statedDay ? new Date(`${statedDay}T${real.toISOString().slice(11)}`) : real;
  };
  const localDay = (date: Date) =>
    `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
  return { now, today: () => statedDay ?? localDay(now()) };
}
