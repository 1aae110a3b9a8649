import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type OfferedPlan, Refused } from '../../api/client';
import { useProject } from '../../api/project';

/** Plans that are offered for this fit: what each holds, and what of it falls away here. */
export function Plans() {
  const { id, fit, state } = useProject();
  const found = useQuery({
    queryKey: ['plans', id, fit, state.revision],
    queryFn: async () =>
      answer(
        await api.GET('/api/projects/{project_id}/plans', { params: { path: { project_id: id }, query: { fit } } }),
      ),
    placeholderData: (before) => before,
  });
  return (
    <section aria-label="Plans" className="px-4 py-3">
      <h2 className="text-[17px]">A plan to begin with</h2>
      <p className="mb-2 text-muted">
        Tasks in their order, with the holds that another person must fill. Hours and waits are guesses to be changed;
        what this fit has no reason for falls away. Taking another later takes the tasks of the first one out; what you
        added stays.
      </p>
      {(found.data ?? []).map((p) => (
        <Offer key={p.id} plan={p} />
      ))}
    </section>
  );
}

function Offer(props: { plan: OfferedPlan }) {
  const { edit, at, fit } = useProject();
  const [error, setError] = useState('');
  const { plan } = props;
  const taken = at(`/fits/${fit}/plan/template`) === plan.id;
  async function take() {
    try {
      await edit(
        plan.operations.map((o) => ({ op: o.op, path: o.path, value: o.value })),
        `plan: ${plan.name}`,
      );
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <div className="border-t border-rule py-2" data-plan={plan.id}>
      <div className="flex items-baseline gap-3">
        <b className="head flex-1 text-[15px]">
          {plan.name}
          {plan.likeliest && <span className="ml-2 font-normal text-muted">likeliest</span>}
        </b>
        <span className="figure text-muted">
          {plan.tasks} tasks, {plan.hours} h
        </span>
        <button type="button" className={`btn ${plan.likeliest ? 'btn-main' : ''}`} onClick={() => void take()}>
          {taken ? 'Take it anew' : 'Take it'}
        </button>
      </div>
      {plan.likeliest && plan.cautions.map((c) => <p key={c}>{c}</p>)}
      {plan.gone.length > 0 && (
        <p className="text-xs text-muted">
          Falls away here: {plan.gone.length} tasks, as {plan.gone[0]}
        </p>
      )}
      {error && (
        <p role="alert" className="text-stop">
          {error}
        </p>
      )}
    </div>
  );
}
