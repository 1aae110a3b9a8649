import type { Form } from './client';
import { useProject } from './project';

/** The kind of craft that is open: whether it has a form, and what its trade calls things. */
export function useForms(): { has: (form: Form) => boolean; word: (name: string) => string } {
  const { reference, state } = useProject();
  const kind = reference.kinds.find((k) => k.id === state.document.kind);
  return {
    has: (form) => kind?.forms.includes(form) ?? false,
    word: (name) => kind?.words[name] ?? name,
  };
}
