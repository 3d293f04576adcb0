/** Lengths come in nanometres or millimetres and are shown in the unit the user chose. */
export const UNITS = ['mm', 'mil', 'inch'] as const;
export type Unit = (typeof UNITS)[number];

const NM: Record<Unit, number> = { mm: 1e6, mil: 25_400, inch: 25.4e6 };
const DIGITS: Record<Unit, number> = { mm: 3, mil: 2, inch: 4 };

export function nmPer(unit: Unit): number {
  return NM[unit];
}

export function number(nm: number, unit: Unit): string {
  const text = (nm / NM[unit]).toFixed(DIGITS[unit]);
  return Number(text) === 0 ? text.replace('-', '') : text;
}

/** "0.150 mm" */
export function length(nm: number, unit: Unit): string {
  return `${number(nm, unit)} ${unit}`;
}

export function nextUnit(unit: Unit): Unit {
  return UNITS[(UNITS.indexOf(unit) + 1) % UNITS.length] ?? 'mm';
}
