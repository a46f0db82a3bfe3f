import { z } from 'zod';
import { NewPerson, Person, Session, Setup, SignIn } from '../contracts';
import {
  Access,
  AuditAsked,
  AuditPage,
  OpenSessions,
  PasswordChange,
  PasswordReset,
  PersonChange,
  Staff,
  StaffPerson,
} from '../contracts/staff';
import { ById } from './params';
import type { Route } from './route';

/** Sign-in takes two short texts. */
const SMALL = 0.02;

/** Routes about who is here and what they may do. */
export const PEOPLE_ROUTES = {
  'GET /session': {
    summary: 'Who is signed in, and what day it is here',
    door: 'anyone',
    answer: Session,
  },
  'POST /session': {
    summary: 'Sign in',
    door: 'anyone',
    body: SignIn,
    limit: SMALL,
    status: 201,
    answer: Session,
  },
  'DELETE /session': { summary: 'Sign out', door: 'anyone', status: 204, answer: null },
  'POST /setup': {
    summary: 'First admin and branch of an empty place',
    door: 'anyone',
    body: Setup,
    limit: SMALL,
    status: 201,
    answer: Session,
  },
  'POST /session/password': {
    summary: 'Change one’s own password; every other device is signed out',
    door: 'look',
    body: PasswordChange,
    limit: SMALL,
    answer: Session,
  },
  'GET /sessions': {
    summary: 'The devices one is signed in on',
    door: 'look',
    answer: OpenSessions,
  },
  'DELETE /sessions/{key}': {
    summary: 'Sign another of one’s own devices out',
    door: 'look',
    of: 'device',
    params: z.object({ key: z.string().min(1).max(80) }),
    status: 204,
    answer: null,
  },
  'GET /people': {
    summary: 'People of the own branch; of this place for an admin',
    door: 'look',
    answer: z.object({ people: z.array(Person) }),
  },
  'POST /people': {
    summary: 'Add a person',
    door: 'keepPeople',
    body: NewPerson,
    status: 201,
    answer: Person,
  },
  'GET /staff': {
    summary: 'People as an admin sees them: suspended, signed in, visits ahead',
    door: 'keepPeople',
    answer: Staff,
  },
  'PATCH /people/{id}': {
    summary: 'Change a person’s name, role or branch; suspend them or let them in again',
    door: 'keepPeople',
    of: 'person',
    params: ById,
    body: PersonChange,
    answer: StaffPerson,
  },
  'DELETE /people/{id}': {
    summary: 'Remove a person who has done nothing yet; others are suspended',
    door: 'keepPeople',
    of: 'person',
    params: ById,
    status: 204,
    answer: null,
  },
  'POST /people/{id}/password': {
    summary: 'Set a password that lets a person in once, to set their own',
    door: 'keepPeople',
    of: 'person',
    params: ById,
    body: PasswordReset,
    answer: StaffPerson,
  },
  'DELETE /people/{id}/sessions': {
    summary: 'Sign all devices of a person out',
    door: 'keepPeople',
    of: 'person',
    params: ById,
    answer: StaffPerson,
  },
  'GET /audit': {
    summary: 'Who changed what, newest first, page by page',
    door: 'keepPeople',
    query: AuditAsked,
    answer: AuditPage,
  },
  'GET /access': {
    summary: 'Whose machines people may look at',
    door: 'look',
    answer: Access,
  },
  'PUT /access': {
    summary: 'Set whose machines people may look at',
    door: 'keepPeople',
    body: Access,
    answer: Access,
  },
} as const satisfies Readonly<Record<string, Route>>;
