import { z } from 'zod';
import { Harvest, Machine, ReadingValue, SheetRef, SpecSheet, Walk, WorkItem } from '../contracts';
import { columnsOf, rowContract, type Column } from './columns';

/** A list of an archive: a table, a row a line of JSON. */
export interface ArchiveList {
  readonly name: string;
  readonly table: string;
  readonly about: string;
  readonly columns: readonly Column[];
  /** columns by which rows are told apart, and in whose order they stand */
  readonly key: readonly string[];
  readonly row: z.ZodObject;
}

function list(
  name: string,
  about: string,
  spec: string,
  {
    key = ['id'],
    table = name.replaceAll('-', '_'),
    json = {},
  }: {
    readonly key?: readonly string[];
    readonly table?: string;
    /** contracts of what stands in columns of JSON */
    readonly json?: Readonly<Record<string, z.ZodType>>;
  } = {},
): ArchiveList {
  const columns = columnsOf(spec);
  const known = Object.fromEntries(
    columns.flatMap(({ name: column, optional }) => {
      const own = json[column];
      return own ? [[column, optional ? own.nullable() : own]] : [];
    }),
  );
  return { name, table, about, columns, key, row: rowContract(columns).extend(known) };
}

/**
 * What an archive holds, each list after those it leans on. Left out is what can be worked out anew
 * (standings, due lists, what the fleet has taught), what is secret (passwords, sessions, tokens, the
 * keys of links), and what is under way (jobs, searches, half-sent photos).
 */
export const ARCHIVE_LISTS: readonly ArchiveList[] = [
  list('branches', 'Branches of the dealership.', 'id:id name:text'),
  list(
    'people',
    'Who works here and what they may do. Without passwords: they are set anew.',
    'id:id name:text signIn:text role:text branch:text suspendedAt:moment? mustChange:flag',
  ),
  list(
    'customers',
    'Customers, with where their farm lies on the branch’s map, km.',
    'id:id name:text branch:text place:text phone:text email:text note:text x:number? y:number?',
  ),
  list(
    'headers',
    'Headers on the books.',
    'id:id serial:text model:text customer:text branch:text equipment:json?',
  ),
  list(
    'spec-sheets',
    'Spec sheets, every revision, as the sheet’s own file has it.',
    'model:text revision:int document:json publishedBy:text publishedAt:moment',
    { key: ['model', 'revision'], json: { document: SpecSheet } },
  ),
  list(
    'sheet-drafts',
    'Sheets that are being changed and are not published.',
    'model:text basedOn:int document:json version:int by:text updatedAt:moment',
    { key: ['model'] },
  ),
  list(
    'sheet-pages',
    'Pages of books kept with sheets; each is a file under pages/.',
    'id:id model:text name:text checks:json mime:text bytes:int by:text at:moment',
  ),
  list(
    'machines',
    'Combines on the books, with the header on them and this season’s harvest. Hours are separator hours.',
    'id:id serial:text model:text customer:text branch:text builtOn:day hours:number header:json? harvest:json equipment:json? rejudged:json? version:int bookHours:number',
    { json: { harvest: Harvest, header: Machine.shape.header.unwrap() } },
  ),
  list(
    'walks',
    'Inspections of machines.',
    'id:id machineId:id startedAt:moment finishedAt:moment? madeSafeAt:moment? hours:number by:text noticed:text checks:json? asFound:json kind:text? minutes:int?',
    { json: { asFound: Walk.shape.asFound.unwrap() } },
  ),
  list(
    'readings',
    'Readings, one value each, as they were taken. Append only: a correction is a new one that strikes the old.',
    'id:id machineId:id walkId:id? checkId:text sheet:json place:text state:text value:json renewed:flag repaired:flag settled:flag positionConfirmed:flag tool:json? takenAt:moment hours:number by:text note:text strikes:id? fit:json? storedAt:moment',
    { json: { sheet: SheetRef, value: ReadingValue } },
  ),
  list(
    'work-items',
    'Work that was accepted, and what was done of it.',
    'id:id machineId:id checkId:text decision:text places:json reason:text minutes:number cover:json? parts:json from:text task:json? mates:json learnt:json? proposed:json? worked:json acceptedBy:text acceptedAt:moment withdrawnAt:moment?',
    { json: { places: WorkItem.shape.places } },
  ),
  list(
    'visits',
    'Visits: who, when, where, and the work they take.',
    'id:id machineId:id technicianId:id mateId:id? startsOn:day starts:text endsOn:day ends:text halfDays:int? hours:number site:text pinned:flag overTime:flag note:text workIds:json startedAt:moment? stoppedAt:moment? finishedAt:moment? version:int',
  ),
  list(
    'ticks',
    'Tasks ticked, work put off or left, owners’ answers.',
    'id:id machineId:id key:text done:flag at:moment by:text note:text until:json? answer:text? storedAt:moment',
  ),
  list(
    'photos',
    'Photos; each is a file under photos/, large and small. One that was taken away again has none.',
    'id:id machineId:id walkId:id? checkId:text place:text bytes:int width:int height:int takenAt:moment by:text dropped:json?',
  ),
  list(
    'cards',
    'Operators’ cards. Their links are made anew: the key is of the place.',
    'id:id machineId:id madeBy:text madeAt:moment revokedAt:moment?',
  ),
  list(
    'operator-said',
    'What operators said on their cards.',
    'id:id machineId:id cardId:id at:moment name:text hours:number? noticed:text answers:json photo:flag',
  ),
  list(
    'breakdowns',
    'What stopped machines in harvest.',
    'id:id machineId:id at:moment hours:number checkId:text? component:text kind:text hoursLost:number? note:text by:text',
  ),
  list(
    'fleet-hours',
    'Hours a fleet service reported, meter by meter.',
    'id:id machineId:id meter:text hours:number offset:number at:moment source:text state:text doubt:text? before:json? answeredBy:text?',
  ),
  list(
    'report-links',
    'Reports that were shared, as they stood. Their links open nothing any more.',
    'id:id machineId:id madeBy:text madeAt:moment expiresAt:moment revokedAt:moment? views:int seenAt:moment? mailedTo:text? report:json subjects:json',
  ),
  list(
    'own-tools',
    'What people measure with.',
    'id:id personId:id name:text quantity:text resolution:number uncertainty:number? calibratedOn:day? everyMonths:int',
  ),
  list(
    'technician-hours',
    'When technicians are there, and what they can do.',
    'personId:id skills:json week:json away:json version:int',
    { key: ['personId'] },
  ),
  list(
    'board-settings',
    'What a branch plans by: bays, holidays, speeds.',
    'branch:text document:json version:int by:text at:moment',
    { key: ['branch'] },
  ),
  list(
    'plan-versions',
    'Plans as they were published.',
    'branch:text n:int by:text at:moment why:text changes:json',
    { key: ['branch', 'n'] },
  ),
  list(
    'branch-costs',
    'What an hour of work and of standing still costs.',
    'branch:text currency:text labourHour:number stopHour:number customers:json version:int by:text at:moment',
    { key: ['branch'] },
  ),
  list(
    'part-prices',
    'Prices and suppliers of parts; their names, sets and supersessions are the sheets’.',
    'number:text price:number? supplier:text? by:text at:moment',
    { key: ['number'] },
  ),
  list('suppliers', 'Who delivers, and how fast.', 'name:text leadDays:int spreadDays:number', {
    key: ['name'],
  }),
  list(
    'stock',
    'Parts on the shelf.',
    'branch:text number:text onHand:int asOf:moment source:text',
    {
      key: ['branch', 'number'],
    },
  ),
  list(
    'part-orders',
    'Parts that were ordered.',
    'id:id branch:text number:text name:text quantity:int supplier:text? placedOn:day expectedOn:day arrivedOn:day? note:text by:text version:int',
  ),
  list(
    'audit',
    'Who changed what. In the order it was done.',
    'at:moment by:text personId:id? what:text subject:text detail:text',
    { key: ['id'] },
  ),
];

/** The JSON Schema of a list’s rows. */
export const schemaOf = ({ row, about }: ArchiveList): object => ({
  ...z.toJSONSchema(row, { unrepresentable: 'any', io: 'input' }),
  description: about,
});
