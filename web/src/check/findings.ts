import type { Finding } from '../api/client';
import type { FindingFilter } from '../store/view';

/** A heading and the findings under it. */
export interface Group {
  key: string;
  title: string;
  findings: Finding[];
}

const SEVERITIES = ['stop', 'look', 'note'];
/** Findings within this of each other are at one place, nm. */
const TOGETHER = 3e6;

/** What is listed and flagged. */
export function filtered(all: readonly Finding[], filter: FindingFilter): Finding[] {
  const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter((f) => {
    const text = [f.rule, f.title, f.message, ...f.layers, ...f.nets, ...f.parts]
      .join(' ')
      .toLowerCase();
    return (
      words.every((w) => text.includes(w)) &&
      (filter.severity === 'all' || f.severity === filter.severity) &&
      (filter.only === 'all' ||
        (filter.only === 'open' && !f.signOff) ||
        (filter.only === 'signed' && Boolean(f.signOff)) ||
        (filter.only === 'new' && f.isNew))
    );
  });
}

function by(findings: readonly Finding[], key: (f: Finding) => string): Group[] {
  const groups = new Map<string, Group>();
  for (const f of findings) {
    const k = key(f);
    const group = groups.get(k) ?? { key: k, title: k, findings: [] };
    group.findings.push(f);
    groups.set(k, group);
  }
  return [...groups.values()];
}

/** Findings that lie near each other, directly or through others. */
function places(findings: readonly Finding[]): Group[] {
  const left = new Set(findings);
  const groups: Group[] = [];
  for (const first of findings) {
    if (!left.delete(first)) {
      continue;
    }
    const group = [first];
    for (let i = 0; i < group.length; i++) {
      for (const f of left) {
        const g = group[i];
        if (
          g &&
          f.everywhere === g.everywhere &&
          Math.hypot(f.at.x - g.at.x, f.at.y - g.at.y) < TOGETHER
        ) {
          group.push(f);
          left.delete(f);
        }
      }
    }
    const { x, y } = first.at;
    groups.push({
      key: first.id,
      title: first.everywhere
        ? 'the whole board'
        : `about x ${(x / 1e6).toFixed(1)}, y ${(y / 1e6).toFixed(1)} mm`,
      findings: group,
    });
  }
  return groups.sort((a, b) => b.findings.length - a.findings.length);
}

export function grouped(findings: readonly Finding[], how: FindingFilter['group']): Group[] {
  if (how === 'place') {
    return places(findings);
  }
  if (how === 'rule') {
    return by(findings, (f) => f.title);
  }
  return by(findings, (f) => f.severity).sort(
    (a, b) => SEVERITIES.indexOf(a.key) - SEVERITIES.indexOf(b.key),
  );
}

/** Open findings of the same rule and severity: what one reason may be true of. */
export function alike(all: readonly Finding[], f: Finding): Finding[] {
  return all.filter((x) => x.rule === f.rule && x.severity === f.severity && !x.signOff);
}

/** The other findings about a place, the nearest first. */
export function neighbours(all: readonly Finding[], f: Finding): Finding[] {
  const apart = (x: Finding) => Math.hypot(x.at.x - f.at.x, x.at.y - f.at.y);
  return all
    .filter((x) => x.id !== f.id && !x.everywhere && !f.everywhere && apart(x) < TOGETHER)
    .sort((a, b) => apart(a) - apart(b))
    .slice(0, 5);
}
