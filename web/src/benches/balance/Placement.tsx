import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { directed, formatNumber, MARGIN, needed, STATION, sentence } from '../../figure/format';
import { WayOut } from '../../findings/Findings';
import { Fold } from '../../sheet/Sheet';

const BOUNDS = [
  ['forward', 'Unit forward by at most', null, 'swing unit'],
  ['aft', 'Unit aft by at most', null, 'swing unit'],
  ['clearance', 'Unit to firewall at least', 'firewall', null],
  ['battery', 'A pack or battery without a space, by at most', null, 'pitch limits'],
  ['lead', 'Lead at most', 'cg limits', null],
] as const;
/** As the tape of each view has them. */
const START = {
  'mm-kg': { forward: '300 mm', aft: '300 mm', clearance: '13 mm', battery: '1000 mm', lead: '10 kg' },
  'in-lb': { forward: '12 in', aft: '12 in', clearance: '1/2 in', battery: '40 in', lead: '20 lb' },
};

/** Unit, batteries and lead placed all at once, within bounds: a way for each thing that one may want. */
export function Placement() {
  const { fit } = useProject();
  if (!fit) return null;
  return (
    <Fold title="Place everything at once">
      <Solver />
    </Fold>
  );
}

function Solver() {
  const { id, fit, state, units, view } = useProject();
  const { has } = useForms();
  const [bounds, setBounds] = useState<Record<string, string>>(START[units]);
  const [stays, setStays] = useState(false);
  const wish = { ...bounds, propeller_stays: stays };
  const found = useQuery({
    queryKey: ['placement', id, fit, state.revision, wish],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/placement', {
          params: { path: { project_id: id }, query: { fit } },
          body: wish as never,
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  const refused = found.error instanceof Refused ? found.error : null;
  const length = (si: number) => formatNumber(si, 'length', view);
  const station = (si: number) => directed(si, 'length', view, STATION);
  return (
    <>
      <div className="grid gap-x-8 py-1 min-[900px]:grid-cols-2">
        {BOUNDS.filter(([, , form, without]) => (!form || has(form)) && !(without && has(without))).map(
          ([key, label]) => (
            <label key={key} className="flex min-h-7 items-baseline justify-between gap-2">
              {label}
              <input
                className="figure w-28 border-b border-rule bg-transparent text-right text-[13px]"
                defaultValue={bounds[key]}
                aria-invalid={refused?.problem.pointer === `/${key}`}
                onBlur={(e) => setBounds({ ...bounds, [key]: e.target.value })}
                onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
              />
            </label>
          ),
        )}
        {has('air propeller') && (
          <label className="flex min-h-7 items-baseline justify-between gap-2">
            The propeller stays where it is, by its spacer
            <input type="checkbox" checked={stays} onChange={(e) => setStays(e.target.checked)} />
          </label>
        )}
      </div>
      {refused && (
        <p role="alert" className="text-stop">
          {refused.words}
        </p>
      )}
      {found.isPending && <p className="text-muted">Working it out…</p>}
      {m && m.needs.length > 0 && (
        <p className="text-unknown">
          {m.solutions.length > 0 ? 'Could move more, but needs ' : 'Cannot say yet: needs '}
          {needed(m.needs)}.
        </p>
      )}
      {m && (m.needs.length === 0 || m.solutions.length > 0) && (
        <>
          {!m.keeps && m.best_margin_si == null && <p>Nothing within these bounds and spaces keeps every limit.</p>}
          {m.best_margin_si != null && (
            <p>
              {m.best_margin_si >= 0
                ? 'Within these bounds the worst margin of all can be brought to '
                : 'Nothing within these bounds keeps every limit; at best the worst margin is '}
              <b className="num">{directed(m.best_margin_si, 'length', view, MARGIN)}</b>.
              {m.reach_from_si != null && m.reach_to_si != null && m.mount_to_si != null && (
                <>
                  {' '}
                  With the propeller where it is, any mount up to {length(m.mount_to_si)} gives an empty CG of{' '}
                  {station(m.reach_from_si)} to {station(m.reach_to_si)}
                  {m.split &&
                    (m.split.mount_si !== null && m.split.spacer_si !== null
                      ? `; the middle of the limits, ${station(m.split.middle_si)}, wants a mount of ${length(m.split.mount_si)} and a spacer of ${length(m.split.spacer_si)}`
                      : `; the middle of the limits, ${station(m.split.middle_si)}, wants the unit's CG at ${station(m.split.unit_cg_si)} and cannot be reached so`)}
                  .
                </>
              )}
            </p>
          )}
          {m.solutions.map((s) => (
            <WayOut
              key={s.targets.join()}
              suggestion={{ ...s, id: s.targets.join(' ') }}
              caption={`${s.targets.join(', ')}: ${sentence(s.answers, view)}`}
            />
          ))}
          {m.solutions.length === 0 && m.keeps && (
            <p className="text-muted">Nothing to move: it stands well as it is, or no way was found.</p>
          )}
          <p className="mt-1 text-xs text-muted">
            {has('cg limits')
              ? 'A linear program on every loading and its burn, two standard deviations kept; rounded to the tape, then assessed again. A kilogram of lead counts as 50 mm of moving.'
              : 'A linear program on every loading; packs move within their spaces and keep clear of each other; rounded to the tape, then assessed again. Frame, hoses and cables are not seen: try it with cardboard.'}
          </p>
        </>
      )}
    </>
  );
}
