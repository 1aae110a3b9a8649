import type { Message, Operation } from '../../api/client';
import { useProject, useShown } from '../../api/project';
import { sentence } from '../../figure/format';

/** Something to decide: looked at with all that it changes before it is done. */
export function Decide(props: { message: Message; operations: Operation[]; onDone?: () => void }) {
  const { view, preview, leaveAhead, edit } = useProject();
  const { ahead } = useShown();
  const said = sentence(props.message, view);
  const tried = ahead?.summary === said;
  return (
    <div className="my-1 border-l-[3px] border-act py-1 pl-2.5" data-decide>
      <p>{said}</p>
      <div className="mt-1 flex gap-2">
        <button
          type="button"
          className="btn"
          aria-pressed={tried}
          onClick={() => (tried ? leaveAhead() : preview(props.operations, said))}
        >
          {tried ? 'Let go' : 'Show what it changes'}
        </button>
        <button
          type="button"
          className="btn btn-main"
          onClick={() => void edit(props.operations, said).then(() => props.onDone?.())}
        >
          Decide so
        </button>
      </div>
    </div>
  );
}
