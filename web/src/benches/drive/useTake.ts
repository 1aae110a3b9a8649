import { useState } from 'react';
import { Refused } from '../../api/client';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';

/** Writes down what a row of a table laid side by side offers; a refusal is said. taking: while one is under way. */
export function useTake() {
  const { edit, say } = useProject();
  const [taking, setTaking] = useState(false);
  async function take(operations: components['schemas']['Operation'][], summary: string) {
    try {
      setTaking(true);
      await edit(operations, summary);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    } finally {
      setTaking(false);
    }
  }
  return { take, taking };
}
