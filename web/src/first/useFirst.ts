import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import { useProject } from '../api/project';

/** The page of first figures of the open project. */
export function useFirst() {
  const { fit, id, state } = useProject();
  return useQuery({
    queryKey: ['first', id, fit, state.revision],
    queryFn: async () =>
      answer(
        await api.GET('/api/projects/{project_id}/first', { params: { path: { project_id: id }, query: { fit } } }),
      ),
    placeholderData: (before) => before,
  });
}
