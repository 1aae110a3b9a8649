import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';

/** What takes most off the doubt of the margin that is least sure. */
export function useMeasureNext() {
  const { id, fit, state } = useProject();
  return useQuery({
    queryKey: ['measure-next', id, fit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/measure-next', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none' } },
        }),
      ),
    placeholderData: (before) => before,
  });
}
