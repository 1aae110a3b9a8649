import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { answer, api, type Happened } from '../api/client';
import { useProject } from '../api/project';

const KEY = 'keel.person';
const listeners = new Set<() => void>();

/** Who stands at this screen: every record says who. It belongs to the screen, not to the project. */
export function usePerson(): [string, (name: string) => void] {
  const name = useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => localStorage.getItem(KEY) ?? '',
  );
  return [
    name,
    (next) => {
      localStorage.setItem(KEY, next);
      for (const listener of listeners) listener();
    },
  ];
}

interface Records {
  all: Happened[];
  /** Keep a record of the open fit. Throws Refused at the field that is wrong. */
  add: (record: Record<string, unknown>, summary: string) => Promise<void>;
}

/** Records of the open fit, the newest first, and adding to them. */
export function useRecords(): Records {
  const { id, fit, state, happened } = useProject();
  const [person] = usePerson();
  const found = useQuery({
    queryKey: ['records', id, fit, state.revision],
    enabled: fit !== null,
    queryFn: async () =>
      answer(
        await api.GET('/api/projects/{project_id}/records', {
          params: { path: { project_id: id }, query: { fit } },
        }),
      ),
    placeholderData: (before) => before,
  });
  return {
    all: found.data ?? [],
    add: (record, summary) =>
      happened(
        async () =>
          answer(
            await api.POST('/api/projects/{project_id}/records', {
              params: { path: { project_id: id }, query: { fit } },
              body: { record: { by: person, fit, ...record } },
            }),
          ),
        summary,
      ),
  };
}
