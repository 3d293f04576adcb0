/** Rows of cells. */
export type Grid = string[][];

const PIN = /^([A-Za-z_]{1,8}\d{1,5}[A-Za-z]?)\s?[.:/-]\s?([A-Za-z0-9+~_-]{1,12})$/;

function pins(cell: string): string[] {
  return cell.split(/[,;|\s]+/).filter((w) => w !== '');
}

/** What is wrong in which cell, by "nets ROW COLUMN" or "parts ROW COLUMN". */
export function faults(nets: Grid, parts: Grid): Map<string, string> {
  const wrong = new Map<string, string>();
  const listed = new Set(parts.map((r) => (r[0] ?? '').trim()).filter((d) => d !== ''));
  const had = new Map<string, string>();
  let filled = 0;
  nets.forEach((row, r) => {
    const net = (row[0] ?? '').trim();
    const cell = (row[1] ?? '').trim();
    if (net === '' && cell === '') {
      return;
    }
    filled++;
    if (net === '') {
      wrong.set(`nets ${r} 0`, `Row ${r + 1}: the net has no name.`);
    }
    if (cell === '') {
      wrong.set(`nets ${r} 1`, `Row ${r + 1}: ${net} has no pins.`);
    }
    for (const word of pins(cell)) {
      const m = PIN.exec(word);
      const other = had.get(word);
      if (!m) {
        wrong.set(`nets ${r} 1`, `Row ${r + 1}: “${word}” names no pin; write it as R1.1.`);
      } else if (listed.size > 0 && !listed.has(m[1] ?? '')) {
        wrong.set(`nets ${r} 1`, `Row ${r + 1}: ${m[1]} is not among the parts.`);
      } else if (other !== undefined && other !== net) {
        wrong.set(`nets ${r} 1`, `Row ${r + 1}: ${word} is in the net ${other} already.`);
      }
      had.set(word, net);
    }
  });
  if (filled === 0) {
    wrong.set('nets 0 0', 'There are no connections yet: write a net and its pins.');
  }
  const seen = new Set<string>();
  parts.forEach((row, r) => {
    const name = (row[0] ?? '').trim();
    if (name === '' && row.some((c) => c.trim() !== '')) {
      wrong.set(`parts ${r} 0`, `Part row ${r + 1} has no designator.`);
    } else if (name !== '' && seen.has(name)) {
      wrong.set(`parts ${r} 0`, `${name} is listed twice.`);
    }
    seen.add(name);
  });
  return wrong;
}

/** A pasted table laid over the cells from one on; a first row of headings is left out. */
export function pasted(
  rows: Grid,
  row: number,
  column: number,
  text: string,
  headings: readonly string[],
): Grid {
  const lines = text
    .replace(/\r/g, '')
    .split('\n')
    .filter((l) => l.trim() !== '')
    .map((l) => l.split(l.includes('\t') ? '\t' : /[;,](?=\S)/).map((c) => c.trim()));
  const isHead = lines[0]?.some((c) => headings.some((h) => h.toLowerCase() === c.toLowerCase()));
  const body = isHead ? lines.slice(1) : lines;
  const next = rows.map((r) => [...r]);
  body.forEach((cells, i) => {
    while (next.length <= row + i + 1) {
      next.push(headings.map(() => ''));
    }
    const into = next[row + i];
    // Cells beyond the last column belong to it: pins may be parted by commas.
    cells.forEach((cell, j) => {
      const c = Math.min(column + j, headings.length - 1);
      if (into) {
        into[c] = c === column + j ? cell : `${into[c] ?? ''} ${cell}`;
      }
    });
  });
  return next;
}

/** Text after RFC 4180. */
export function csv(headings: readonly string[], rows: Grid): string {
  const quoted = (cell: string) => (/[",\n]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell);
  return [headings, ...rows.filter((r) => r.some((c) => c.trim() !== ''))]
    .map((r) => r.map((c) => quoted(c.trim())).join(','))
    .join('\n');
}
