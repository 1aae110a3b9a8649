import { queryOptions, useQuery } from '@tanstack/react-query';
import { answer, api } from './client';

/** Every unit of the library, in order of name. */
export const LIBRARY = queryOptions({
  queryKey: ['library'],
  staleTime: 0,
  queryFn: async () => answer(await api.GET('/api/library')),
});

export function useLibrary() {
  return useQuery(LIBRARY);
}
