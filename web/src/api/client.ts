import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type State = Schemas['State'];
export type Assessment = Schemas['Assessment'];
export type Finding = Schemas['Finding'];
export type Value = Schemas['Value'];
export type Change = Schemas['Change'];
export type Message = Schemas['Message'];
export type Working = Schemas['Working'];
export type Suggestion = Schemas['Suggestion'];
/** What a kind of craft has: a bench asks for forms, never for a kind. */
export type Form = Schemas['KindOut']['forms'][number];
export type Ways = Schemas['Ways'];
export type Gap = Schemas['Gap'];
export type Level = Finding['level'];
export type Bench = Finding['bench'];
export type Reference = Schemas['Reference'];
export type FieldSpec = Schemas['FieldSpec'];
export type PrintSpec = Schemas['PrintSpec'];
export type Shapes = Schemas['Shapes'];
export type Compared = Schemas['SideBySide'];
export type Drive = Schemas['DriveOut'];
export type First = Schemas['FirstOut'];
export type Problem = Schemas['Problem'];
export type Operation = { op: 'add' | 'replace' | 'remove'; path: string; value?: unknown };
export type LibraryItem = Schemas['LibraryItem'];
export type Revision = Schemas['RevisionOut'];
export type LibraryUnit = Schemas['LibraryUnitOut'];
export type FromLibrary = Schemas['FromLibraryOut'];
export type Candidate = Schemas['Candidate'];
export type Installation = Schemas['InstallationOut'];
export type Turn = Schemas['TurnOut'];
export type Port = Schemas['PortOut'];
export type Block = Schemas['BlockOut'];
export type Happened = Schemas['HappenedOut'];
export type Build = Schemas['BuildOut'];
export type Task = Schemas['TaskOut'];
export type Prove = Schemas['ProveOut'];
export type OfferedPlan = Schemas['OfferedPlan'];
export type ReadLog = Schemas['ReadLog'];
export type Units = 'mm-kg' | 'in-lb';

export const api = createClient<paths>({ baseUrl: '' });

/** A refusal of the server: a sentence, the field, and what would be accepted. */
export class Refused extends Error {
  constructor(readonly problem: Problem & { yours?: unknown; theirs?: unknown; revision?: number | null }) {
    super(problem.detail);
  }
  /** The sentence with what would be accepted. */
  get words(): string {
    return this.problem.allowed ? `${this.problem.detail}. Accepted: ${this.problem.allowed}.` : this.problem.detail;
  }
}

/** Unwrap an answer of the client; throw Refused otherwise. */
export function answer<T>(reply: { data?: T; error?: unknown; response: Response }): T {
  if (reply.data !== undefined) return reply.data;
  const problem = reply.error as Problem | undefined;
  throw new Refused(
    problem?.detail
      ? problem
      : {
          type: '',
          title: 'No answer',
          status: reply.response.status,
          detail: 'The application does not answer',
          pointer: null,
          given: null,
          allowed: null,
        },
  );
}

/** How numbers of each dimension are printed in one system of units. */
export type View = Record<string, PrintSpec>;
