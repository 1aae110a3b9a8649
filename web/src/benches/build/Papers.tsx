import { useProject } from '../../api/project';

const SHEETS: [string, string][] = [
  ['book', 'Build book, to be signed'],
  ['tasks', 'Tasks of the week'],
  ['torque', 'Torque list'],
  ['strip', 'Strip list'],
  ['holds', 'Hold points'],
  ['tags', 'Tags for both ends'],
];

/** Paper of the work: what to take along, and the whole as one book. */
export function Papers() {
  const { id, fit, units } = useProject();
  const query = `fit=${fit}&units=${units}`;
  return (
    <section aria-label="Paper" className="flex flex-wrap items-baseline gap-x-4 border-y border-rule px-4 py-1.5">
      <h2 className="text-[15px]">Paper</h2>
      {SHEETS.map(([sheet, title]) => (
        <a
          key={sheet}
          className="leading-6"
          href={`/api/projects/${id}/papers/${sheet}?${query}`}
          target="_blank"
          rel="noreferrer"
        >
          {title}
        </a>
      ))}
      <span className="text-muted">·</span>
      <a className="leading-6" href={`/api/projects/${id}/exports/records.csv?fit=${fit}`} download>
        Records as CSV
      </a>
      <a className="leading-6" href={`/api/projects/${id}/exports/records.json?fit=${fit}`} download>
        as JSON
      </a>
      <a className="leading-6" href={`/api/projects/${id}/exports/archive`} download>
        All of it as one archive
      </a>
    </section>
  );
}
