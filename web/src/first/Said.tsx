import type { Finding } from '../api/client';
import { useProject } from '../api/project';
import { named, sentence } from '../figure/format';
import { Mark } from '../findings/Mark';
import { useFocusField } from '../findings/useFocusField';
import { RoughFigures } from './RoughFigures';
import { useFirst } from './useFirst';

const ORDER = ['stop', 'watch', 'unknown', 'ok'];

/** What can be said by now of what is wanted of the first evening, and what each answer still needs. */
export function Said() {
  const { state, view } = useProject();
  const focusField = useFocusField();
  const rules = useFirst();
  const findings = (rules.data?.answers ?? [])
    .map((rule) => worst(state.assessment.findings.filter((f) => f.rule === rule)))
    .filter((f): f is Finding => f !== undefined);
  const said = findings.filter((f) => f.level !== 'unknown').length;
  return (
    <aside
      aria-label="What can be said"
      className="overflow-y-auto border-l border-rule bg-sheet px-3.5 py-3 [grid-area:findings]"
    >
      <h2 className="pb-1 text-[16px]">
        {said === 0 ? 'Nothing can be said yet' : `${said} of ${findings.length} can be said`}
      </h2>
      {findings.map((f) => (
        <article key={f.key} className="border-t border-rule py-1.5" data-said={f.rule} data-level={f.level}>
          <h3 className="flex items-center gap-2 text-[15px]">
            <Mark level={f.level} />
            <span className="first-letter:uppercase">{sentence(f.title, view)}</span>
          </h3>
          {f.level === 'unknown' ? (
            f.needs[0] && (
              <p className="text-xs text-muted">
                needs{' '}
                <button type="button" className="quiet text-xs" onClick={() => focusField(f.needs[0]?.pointer ?? '')}>
                  {named(f.needs[0])}
                </button>
                {f.needs.length > 1 && ` and ${f.needs.length - 1} more`}
              </p>
            )
          ) : (
            <p className="text-xs">{sentence(f.message, view)}</p>
          )}
        </article>
      ))}
      <RoughFigures />
      <p className="mt-2 border-t border-rule pt-2 text-muted">
        A first verdict says whether a second evening is worth it, no more. Local rules and licensed people decide.
      </p>
    </aside>
  );
}

function worst(findings: Finding[]): Finding | undefined {
  return [...findings].sort((a, b) => ORDER.indexOf(a.level) - ORDER.indexOf(b.level))[0];
}
