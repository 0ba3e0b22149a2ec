import * as yup from 'yup';
import { version } from './version.ts';

export const ROLES = ['engineer', 'approver', 'floor', 'administrator'] as const;
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
  /** Accounts whose password everybody knows are still there. */
  readonly demoAccounts: boolean;
}

/** A disabled person keeps the name in what was done, and signs in no more. */
export const PERSON_STATES = ['active', 'disabled'] as const;
export type PersonState = (typeof PERSON_STATES)[number];

/** A person as an administrator sees them. */
export interface PersonRecord extends Person {
  readonly state: PersonState;
  readonly demo: boolean;
  /** Nobody has set a password yet, or an administrator took it away. */
  readonly invited: boolean;
  /** Sessions open now. */
  readonly sessions: number;
  readonly version: number;
  readonly createdAt: string;
}

/** A person with the one-time link that sets the password; the link is shown once and not kept. */
export interface Invitation {
  readonly person: PersonRecord;
  /** Goes after the address of the site. */
  readonly link: string;
  readonly expiresAt: string;
}

/** Characters a new password has at least: length guards better than a mixture of signs. */
export const LEAST_PASSWORD = 12;
const MOST_PASSWORD = 200;

const email = () => yup.string().strict().email().required().max(200);
export const newPassword = () =>
  yup
    .string()
    .strict()
    .required()
    .min(LEAST_PASSWORD, `\${path} needs ${LEAST_PASSWORD} characters or more`)
    .max(MOST_PASSWORD);

export const signInSchema = yup
  .object({
    email: email(),
    // What was chosen under older rules still signs in: length is asked where a password is set.
    password: yup.string().strict().required().max(MOST_PASSWORD),
  })
  .noUnknown()
  .required();
export type SignIn = yup.InferType<typeof signInSchema>;

const personName = () => yup.string().strict().required().trim().max(200);
const role = () => yup.string().strict().oneOf(ROLES).required();

export const invitationSchema = yup
  .object({ name: personName(), email: email(), role: role() })
  .noUnknown()
  .required();
export type InvitationInput = yup.InferType<typeof invitationSchema>;

export const personUpdateSchema = yup
  .object({
    name: personName(),
    role: role(),
    state: yup.string().strict().oneOf(PERSON_STATES).required(),
    version: version(),
  })
  .noUnknown()
  .required();
export type PersonUpdate = yup.InferType<typeof personUpdateSchema>;

export const ownPasswordSchema = yup
  .object({ current: yup.string().strict().required().max(MOST_PASSWORD), password: newPassword() })
  .noUnknown()
  .required();

export const passwordLinkSchema = yup
  .object({ token: yup.string().strict().required().max(100), password: newPassword() })
  .noUnknown()
  .required();

/** May change jobs, operations and the shop's crib. */
export const mayEdit = (role: Role): boolean => role === 'engineer' || role === 'approver';
/** May release or return what somebody else asked for. */
export const mayRelease = (role: Role): boolean => role === 'approver';
/** May invite, change and disable people. */
export const mayAdminister = (role: Role): boolean => role === 'administrator';
