import type { Build } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

/** The week in hours and money, what is next, and the longest way. */
export function Week(props: { build: Build }) {
  const { view } = useProject();
  const { build } = props;
  const orders = build.tasks.filter((t) => t.here && t.standing === 'open');
  return (
    <section aria-label="This week" className="border-l border-rule px-4 py-2">
      <h2 className="mb-1 text-[15px]">This week{build.week ? `, ${build.week.slice(5)}` : ''}</h2>
      <dl className="grid grid-cols-2 gap-x-4 gap-y-1">
        <Pair
          label={
            build.week_hours != null ? `Hands, of ${formatNumber(build.week_hours * 3600, 'hours', view)}` : 'Hands'
          }
          value={formatNumber(build.week_worked * 3600, 'hours', view)}
        />
        <Pair label="Spent" value={formatNumber(build.week_spent, 'money', view)} />
      </dl>
      {orders[0] && (
        <p className="mt-1">
          <span className="text-xs text-muted">To order</span>
          <br />
          {orders[0].name}
          {orders.length > 1 && <span className="text-muted"> and {orders.length - 1} more</span>}
        </p>
      )}
      {build.path.length > 0 && (
        <p className="mt-1 text-xs text-muted" title={build.path.join(' → ')}>
          {build.path.length === 1
            ? `One task is left on the longest way: ${short(build.path[0] ?? '')}.`
            : `The longest way has ${build.path.length} tasks: ${short(build.path[0] ?? '')} → … ${short(build.path.at(-1) ?? '')}.`}
        </p>
      )}
      <p className="mt-1 text-xs">
        <span className="text-muted">First start: </span>
        {build.shut.length === 0 ? (
          'nothing recorded keeps it shut'
        ) : (
          <>
            shut by {build.shut.length}, as {short(build.shut[0] ?? '', 70)}
          </>
        )}
      </p>
    </section>
  );
}

function short(text: string, most = 42): string {
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
}

function Pair(props: { label: string; value: string }) {
  return (
    <div>
      <dt className="text-xs text-muted">{props.label}</dt>
      <dd className="figure text-[16px]">{props.value}</dd>
    </div>
  );
}
