import * as yup from 'yup';

export const ROLES = ['engineer', 'approver', 'floor'] as const;
export type Role = (typeof ROLES)[number];

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
}

/** Who is signed in; before, the demo accounts while they exist. */
export interface SessionInfo {
  readonly person: Person | null;
  readonly demo: readonly Pick<Person, 'name' | 'email' | 'role'>[];
}

export const signInSchema = yup
  .object({
    email: yup.string().strict().email().required().max(200),
    password: yup.string().strict().required().max(200),
  })
  .noUnknown()
  .required();
export type SignIn = yup.InferType<typeof signInSchema>;

/** May change jobs, operations and the shop's crib. */
export const mayEdit = (role: Role): boolean => role !== 'floor';
/** May release or return what somebody else asked for. */
export const mayRelease = (role: Role): boolean => role === 'approver';
