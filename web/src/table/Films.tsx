import type { Job } from '../api/client';
import { useView, type Film } from '../store/view';
import { hexOf, isHatched } from './inks';
import { firstXray, XrayBar } from './XrayBar';

const WORDS: Record<Film, string> = { on: 'on', dim: 'dimmed', off: 'off' };

/** The films on the table; a click takes each from on to dimmed to off. */
export function Films({
  job,
  filmOf,
  holes,
}: {
  job: Job;
  filmOf: (role: string) => Film;
  holes: string;
}) {
  const setFilms = useView((s) => s.setFilms);
  const cycle = useView((s) => s.cycleFilm);
  const xray = useView((s) => s.xray);
  const setXray = useView((s) => s.setXray);
  const films = [
    ...job.layers.map((l) => ({ role: l.role, words: l.words })),
    { role: holes, words: 'holes' },
  ];
  const show = (wanted: (role: string) => boolean) =>
    setFilms(Object.fromEntries(films.map((f) => [f.role, wanted(f.role) ? 'on' : 'off'])));
  const solo = (role: string) => {
    const alone = films.every((f) => (filmOf(f.role) === 'on') === (f.role === role));
    show((r) => alone || r === role);
  };
  if (xray) {
    return <XrayBar job={job} xray={xray} />;
  }
  return (
    <div className="border-edge bg-card flex flex-wrap items-center gap-1 border-b px-2 py-1 whitespace-nowrap max-[940px]:flex-nowrap max-[940px]:overflow-x-auto [scrollbar-width:thin]">
      {films.map((f) => {
        const film = filmOf(f.role);
        return (
          <button
            key={f.role}
            type="button"
            data-state={film}
            data-film={f.role}
            aria-label={`${f.words}: ${WORDS[film]}`}
            title={`${f.words}: ${WORDS[film]} (click to change, with Shift: this film alone)`}
            onClick={(e) => {
              if (e.shiftKey) {
                solo(f.role);
                return;
              }
              setFilms(Object.fromEntries(films.map((g) => [g.role, filmOf(g.role)])));
              cycle(f.role);
            }}
            className="border-edge hover:border-faint flex shrink-0 items-center gap-1 rounded border px-1.5 text-[13px] data-[state=dim]:text-faint data-[state=off]:border-dashed data-[state=off]:text-faint data-[state=off]:line-through"
          >
            <span
              className="border-ink/30 inline-block h-3 w-3 rounded-sm border"
              style={{
                background:
                  f.role === holes
                    ? '#fffdf8'
                    : isHatched(f.role)
                      ? `repeating-linear-gradient(135deg, ${hexOf(f.role)} 0 2px, #fff 2px 4px)`
                      : hexOf(f.role),
                opacity: film === 'on' ? 1 : film === 'dim' ? 0.35 : 0.1,
              }}
            />
            {f.words}
          </button>
        );
      })}
      <span className="text-faint ml-auto flex shrink-0 gap-2 pl-2 text-[13px]">
        {(
          [
            ['all', () => true],
            ['top', (r) => r.endsWith('-top') || r === 'outline' || r === holes],
            ['bottom', (r) => r.endsWith('-bottom') || r === 'outline' || r === holes],
            ['copper', (r) => r.startsWith('copper') || r === 'outline' || r === holes],
            ['holes', (r) => r === 'outline' || r === holes],
          ] as [string, (role: string) => boolean][]
        ).map(([name, wanted]) => (
          <button
            key={name}
            type="button"
            className="underline decoration-dotted underline-offset-2 hover:text-ink"
            onClick={() => show(wanted)}
          >
            {name}
          </button>
        ))}
        {job.layers.length > 1 ? (
          <button
            type="button"
            title="Lay two films over each other to see whether they part (X)"
            className="underline decoration-dotted underline-offset-2 hover:text-ink"
            onClick={() => setXray(firstXray(job))}
          >
            x-ray
          </button>
        ) : null}
      </span>
    </div>
  );
}
