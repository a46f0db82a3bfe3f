import type { Href } from 'expo-router';
import type { Right } from '@green-tally/core/rights';

/** One section of the settings. */
export interface Section {
  readonly to: Href;
  readonly title: string;
  readonly text: string;
  /** who sees it; everybody when absent */
  readonly right?: Right;
}

/** The settings, each a place of its own. */
export const SECTIONS: readonly Section[] = [
  {
    to: '/settings/you',
    title: 'You',
    text: 'who is signed in here and on what devices; your password; signing out',
  },
  {
    to: '/settings/look',
    title: 'Look',
    text: 'Daylight for the sun, Shed for the dark; which thumb works it',
  },
  {
    to: '/settings/tools',
    title: 'Your tools',
    text: 'what you measure with, and until when it is calibrated',
  },
  {
    to: '/settings/device',
    title: 'This device',
    text: 'machines taken along for no signal, and the room they take',
  },
  {
    to: '/bench',
    title: 'Bench',
    text: 'chains, belts, drives, sums: reckoned and drawn',
  },
  {
    to: '/settings/hours',
    title: 'Hours',
    text: 'as the fleet service reports them; what is odd about them',
  },
  {
    to: '/scan',
    title: 'Labels',
    text: 'scan one, or print them for machines and cards',
  },
  {
    to: '/practice',
    title: 'Practice',
    text: 'a machine whose wear is hidden: measure it, decide, look back',
  },
  {
    to: '/specs',
    title: 'Spec sheets',
    text: 'what is checked on each model, how, and where the limits lie',
  },
  {
    to: '/settings/machines',
    title: 'Machines',
    text: 'what is on the books; adding one',
    right: 'keepMachines',
  },
  {
    to: '/settings/books',
    title: 'Lists in and out',
    text: 'customers, machines, headers and people as CSV',
    right: 'keepMachines',
  },
  {
    to: '/first-day',
    title: 'First day',
    text: 'from an empty place to the first walk, step by step',
    right: 'keepMachines',
  },
  {
    to: '/settings/costs',
    title: 'Costs',
    text: 'what an hour of standing still costs, and what parts cost',
  },
  {
    to: '/settings/crew',
    title: 'Hours, skills, bays, map',
    text: 'what the board plans by; calendars by link',
  },
  {
    to: '/insight',
    title: 'Insight',
    text: 'what wears out where, how long it lives, what jobs and walks take',
  },
  {
    to: '/forecasts',
    title: 'Was the forecast right?',
    text: 'what was said before each harvest, what came of it, what stopped',
  },
  {
    to: '/settings/people',
    title: 'People',
    text: 'who works here and what they may do',
    right: 'keepPeople',
  },
  {
    to: '/settings/audit',
    title: 'Who changed what',
    text: 'sheets, machines, plans, people; who signed in',
    right: 'keepPeople',
  },
  {
    to: '/settings/tokens',
    title: 'Tokens',
    text: 'what spreadsheets and other programs read with',
    right: 'keepPeople',
  },
  {
    to: '/settings/archive',
    title: 'Archive',
    text: 'everything out as one file; into a place that was just set up',
    right: 'keepPeople',
  },
  {
    to: '/settings/formats',
    title: 'Formats',
    text: 'every file that goes in or out, with examples',
  },
  { to: '/settings/safety', title: 'Safety', text: 'what goes before anything said here' },
];
