import { useRef, useState } from 'react';
import { Refused } from '../api/client';
import { useProject } from '../api/project';
import { usePerson, useRecords } from './useRecords';

/** Takes a photograph in: checked by the server, and a record says of what it is. */
export function PhotoButton(props: { of: string; task?: string }) {
  const { id } = useProject();
  const { add } = useRecords();
  const [person] = usePerson();
  const [said, say] = useState('');
  const input = useRef<HTMLInputElement>(null);
  async function take(file: File) {
    say('reading…');
    try {
      const reply = await fetch(`/api/projects/${id}/photos`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: file,
      });
      const body = await reply.json();
      if (!reply.ok) throw new Refused(body);
      await add(
        { kind: 'photo', file: body.file, of: props.of, ...(props.task && { task: props.task }) },
        'photograph',
      );
      say('');
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
    if (input.current) input.current.value = '';
  }
  return (
    <label className={`btn inline-block ${person ? '' : 'pointer-events-none opacity-60'}`}>
      Photograph
      <input
        ref={input}
        type="file"
        accept="image/*"
        className="sr-only"
        disabled={person === ''}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void take(file);
        }}
      />
      {said && (
        <span role="alert" className="ml-2 text-xs text-stop">
          {said}
        </span>
      )}
    </label>
  );
}
