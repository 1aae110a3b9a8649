/** A line of a plot as its key names it. */
export interface KeyLine {
  name: string;
  stroke: string;
  dash?: string;
}

/** What the lines of a plot are, each beside a piece of it. */
export function PlotKey(props: { lines: KeyLine[] }) {
  return (
    <p className="flex flex-wrap gap-x-5 text-[13px]">
      {props.lines.map((l) => (
        <span key={l.name} className="inline-flex items-center gap-1.5">
          <svg width="34" height="8" aria-hidden="true">
            <path d="M0 4H34" strokeWidth="1.8" stroke={l.stroke} strokeDasharray={l.dash} />
          </svg>
          {l.name}
        </span>
      ))}
    </p>
  );
}
