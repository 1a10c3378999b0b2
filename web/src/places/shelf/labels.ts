/** Labels as they are sold, mm: sheets of so many in a row, and rolls of one after the other. */
export type LabelSize = { key: string; name: string; page: string; margin: string; columns: number; width: number; height: number };

const a4 = 'A4';
const letter = 'letter';

export const labelSizes: LabelSize[] = [
  { key: 'plain', name: 'plain paper, two in a row', page: 'auto', margin: '10mm', columns: 2, width: 0, height: 0 },
  { key: 'a4-14', name: 'A4 sheet, 14 of 99 × 38 mm', page: a4, margin: '15mm 4.5mm', columns: 2, width: 99, height: 38 },
  { key: 'a4-8', name: 'A4 sheet, 8 of 99 × 67 mm', page: a4, margin: '14mm 4.5mm', columns: 2, width: 99, height: 67 },
  { key: 'letter-10', name: 'Letter sheet, 10 of 102 × 51 mm', page: letter, margin: '12.7mm 4mm', columns: 2, width: 102, height: 51 },
  { key: 'roll-62', name: 'roll, 62 × 100 mm', page: '100mm 62mm', margin: '2mm', columns: 1, width: 96, height: 57 },
  { key: 'roll-57', name: 'roll, 57 × 51 mm', page: '57mm 51mm', margin: '1mm', columns: 1, width: 55, height: 48 },
];

const place = 'merienda.labels';

export const sizeOf = (key: string | null) => labelSizes.find((size) => size.key === key) ?? (labelSizes[0] as LabelSize);

export const chosenSize = () => sizeOf(localStorage.getItem(place));

export const chooseSize = (size: LabelSize) => localStorage.setItem(place, size.key);

/** The page that is printed on: a sheet of its own, so that nothing else on it is printed otherwise. */
export function pageRule(size: LabelSize): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(`@page { size: ${size.page}; margin: ${size.margin}; }`);
  return sheet;
}
