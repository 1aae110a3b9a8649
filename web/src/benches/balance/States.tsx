import type { Ways } from '../../api/client';
import { useProject, useShown } from '../../api/project';
import { movedBetween, needed } from '../../figure/format';
import { Table } from '../../parts/Table';

const TRIM: Ways = { over: 'stern', under: 'bow' };
const HEEL: Ways = { over: 'stbd', under: 'port' };

/** `before → after`, or only after where nothing changed. */
function Pair(props: { before: number | null; after: number | null; dimension: string; ways?: Ways }) {
  const { view } = useProject();
  const [was, is] = movedBetween(props.before, props.after, props.dimension, view, props.ways);
  return (
    <span className="whitespace-nowrap">
      {was !== is && <span className="text-muted">{was ?? '?'} → </span>}
      {is ?? '?'}
    </span>
  );
}

/** Afloat, empty and in every loading: what a boatyard looks at first, freeboards and trim, before → after. */
export function AfloatStates() {
  const { shown } = useShown();
  const states = shown.balance?.afloat ?? [];
  const marks = states.find((s) => s.marks.length > 0)?.marks ?? [];
  return (
    <section aria-label="Afloat" className="mb-4">
      <Table
        rows={states}
        id={(s) => s.id}
        below={(s) => s.needs.length > 0 && `cannot say yet: needs ${needed(s.needs)}`}
        columns={[
          { id: 'state', head: 'Afloat, before → after', headClass: '!text-ink', cell: (s) => s.name },
          {
            id: 'displacement',
            head: 'displacement',
            num: true,
            cell: (s) => <Pair before={s.displacement_before_si} after={s.displacement_si} dimension="mass" />,
          },
          {
            id: 'trim',
            head: 'trim',
            num: true,
            cell: (s) => <Pair before={s.trim_before_si} after={s.trim_si} dimension="length" ways={TRIM} />,
          },
          {
            id: 'heel',
            head: 'heel',
            num: true,
            cell: (s) => <Pair before={s.heel_before_si} after={s.heel_si} dimension="angle" ways={HEEL} />,
          },
          {
            id: 'gm',
            head: 'GM',
            num: true,
            cell: (s) => <Pair before={s.gm_before_si} after={s.gm_si} dimension="length" />,
          },
        ]}
      />
      {marks.length > 0 && (
        <Table
          rows={states.filter((s) => s.marks.length > 0)}
          id={(s) => s.id}
          className="mt-2"
          columns={[
            { id: 'state', head: 'Freeboards, before → after', headClass: '!text-ink', cell: (s) => s.name },
            ...marks.map((m) => ({
              id: m.id,
              head: m.name,
              num: true,
              cell: (s: (typeof states)[number]) => {
                const mark = s.marks.find((o) => o.id === m.id);
                return mark && <Pair before={mark.before_si} after={mark.after_si} dimension="length" />;
              },
            })),
          ]}
        />
      )}
      <p className="mt-1 text-xs text-muted">
        Small-change method: KM and the waterplane held as found; good to 10 % of her displacement and a trim of a
        fiftieth of her length.
      </p>
    </section>
  );
}

/** On her wheels, empty and in every loading: axle loads and pitch limits, before → after. */
export function AxleStates(props: { pitch: boolean }) {
  const { shown } = useShown();
  const states = shown.balance?.axles ?? [];
  const share = (part: number | null, whole: number | null) => (part === null || !whole ? null : part / whole);
  return (
    <section aria-label="On the axles" className="mb-4">
      <Table
        rows={states}
        id={(s) => s.id}
        columns={[
          {
            id: 'state',
            head: 'On the axles, before → after',
            headClass: '!text-ink',
            cell: (s) => (
              <>
                {s.name}
                {s.needs.length > 0 && (
                  <span className="text-xs text-muted"> cannot say yet: needs {needed(s.needs)}</span>
                )}
              </>
            ),
          },
          {
            id: 'front',
            head: 'front',
            num: true,
            cell: (s) => <Pair before={s.front_before_si} after={s.front_si} dimension="mass" />,
          },
          {
            id: 'rear',
            head: 'rear',
            num: true,
            cell: (s) => <Pair before={s.rear_before_si} after={s.rear_si} dimension="mass" />,
          },
          {
            id: 'share',
            head: 'on the front',
            num: true,
            cell: (s) => (
              <Pair
                before={share(s.front_before_si, s.mass_before_si)}
                after={share(s.front_si, s.mass_si)}
                dimension="percent"
              />
            ),
          },
          props.pitch && {
            id: 'wheelie',
            head: 'front lifts, g',
            num: true,
            cell: (s) => <Pair before={s.wheelie_before} after={s.wheelie} dimension="number" />,
          },
          props.pitch && {
            id: 'stop',
            head: 'rear lifts, g',
            num: true,
            cell: (s) => <Pair before={s.stop_before} after={s.stop} dimension="number" />,
          },
        ]}
      />
    </section>
  );
}
