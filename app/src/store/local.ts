import { Dexie, type Table } from 'dexie';
import {
  MachineFile,
  type Breakdown,
  type JudgedBy,
  type Machine,
  type OperatorNote,
  type OperatorSaid,
  type Photo,
  type Reading,
  type SpecSheet,
  type Tick,
  type Visit,
  type VisitNote,
  type Walk,
  type WorkedEntry,
  type WorkItem,
} from '@green-tally/core/contracts';

/**
 * Something made here that the server has to get. Walks go before readings, readings before work, work
 * before what is withdrawn of it, what was done of it, and ticks; photos, which are large, go last.
 */
export type Outgoing = {
  readonly id: string;
  readonly machineId: string;
  readonly queuedAt: string;
  /** id of the person who took it; absent on an operator's card, and from an earlier edition */
  readonly owner?: string | undefined;
  /** refused ones stay, with the reason, until a person deals with them */
  readonly state: 'waiting' | 'refused';
  readonly why: string;
  /** it can be taken back until then, and is not sent before; by this device's clock */
  readonly heldUntil?: string | undefined;
} & (
  | { readonly kind: 'walk'; readonly body: Walk }
  | { readonly kind: 'reading'; readonly body: Reading }
  | { readonly kind: 'work'; readonly body: WorkItem }
  /** the item as it is once it has been withdrawn */
  | { readonly kind: 'withdrawal'; readonly body: WorkItem }
  /** somebody worked on an accepted item */
  | { readonly kind: 'worked'; readonly body: WorkedEntry; readonly workId: string }
  /** a machine stopped in harvest */
  | { readonly kind: 'breakdown'; readonly body: Breakdown }
  /** a visit was begun or finished, or not after all */
  | { readonly kind: 'visitNote'; readonly body: NotedVisit }
  | { readonly kind: 'tick'; readonly body: Tick }
  /** what an operator says on a machine's card, and by whose link */
  | { readonly kind: 'said'; readonly body: OperatorNote; readonly key: string }
  /** what it shows lies among the photo files */
  | { readonly kind: 'photo'; readonly body: Photo }
);

/** What is said of a visit on its day. */
export type NotedVisit = VisitNote & {
  readonly id: string;
  readonly visitId: string;
  readonly machineId: string;
};

/** An answer of the server, kept to be read without signal. */
export interface Kept {
  readonly path: string;
  readonly answer: unknown;
  readonly at: string;
}

/** A machine whose facts are kept here, and how far they go. */
export interface KeptMachine {
  readonly id: string;
  readonly machine: Machine;
  /** of the server's; 0 is to be asked for whole */
  readonly version: number;
  /** names what `judgedBy` holds */
  readonly basis: string;
  readonly judgedBy: JudgedBy;
  /** when the server was asked last, and when somebody here looked at it last */
  readonly askedAt: string;
  readonly lookedAt: string;
  /** moves on with every change of what is kept of it: what was read under it need not be read again */
  readonly stamp: number;
  /** a person wants it on this device, whatever else is cleared up */
  readonly chosen: boolean;
  /** the one who is signed in has a visit to it soon */
  readonly planned: boolean;
}

/** The tables that hold a machine's facts, a row a fact. */
export const FACTS = ['readings', 'walks', 'work', 'ticks', 'visits', 'photos', 'said'] as const;

/** What a photo shows, as bytes: whole until it is sent, small as long as its machine is here. */
export interface PhotoFile {
  readonly id: string;
  readonly machineId: string;
  readonly full: ArrayBuffer | null;
  readonly small: ArrayBuffer;
}

/** A photo that is being measured in, until it is taken to its check. */
export interface BenchPhoto {
  /** what it was chosen for */
  readonly key: string;
  readonly bytes: ArrayBuffer;
  readonly type: string;
  readonly at: string;
}

/** What this device keeps: IndexedDB, so that it survives a call, a reload, a flat battery. */
class LocalStore extends Dexie {
  readonly outgoing: Table<Outgoing, string>;
  readonly kept: Table<Kept, string>;
  readonly machines: Table<KeptMachine, string>;
  readonly readings: Table<Reading, string>;
  readonly walks: Table<Walk, string>;
  readonly work: Table<WorkItem, string>;
  readonly ticks: Table<Tick, string>;
  readonly visits: Table<Visit, string>;
  readonly photos: Table<Photo, string>;
  readonly said: Table<OperatorSaid, string>;
  readonly photoFiles: Table<PhotoFile, string>;
  readonly benchPhotos: Table<BenchPhoto, string>;
  /** revisions never change */
  readonly sheets: Table<SpecSheet, [model: string, revision: number]>;
  constructor() {
    super('green-tally');
    this.version(1).stores({ outgoing: 'id, machineId, state', kept: 'path' });
    this.version(2)
      .stores({
        machines: 'id',
        ...Object.fromEntries(
          FACTS.filter((name) => name !== 'photos' && name !== 'said').map((name) => [
            name,
            'id, machineId',
          ]),
        ),
        sheets: '[model+revision]',
      })
      .upgrade(() => this.takeApart());
    this.version(3).stores({ photos: 'id, machineId', photoFiles: 'id, machineId' });
    this.version(4).stores({ said: 'id, machineId' });
    this.version(5).stores({ benchPhotos: 'key' });
    this.outgoing = this.table('outgoing');
    this.kept = this.table('kept');
    this.machines = this.table('machines');
    this.readings = this.table('readings');
    this.walks = this.table('walks');
    this.work = this.table('work');
    this.ticks = this.table('ticks');
    this.visits = this.table('visits');
    this.photos = this.table('photos');
    this.said = this.table('said');
    this.photoFiles = this.table('photoFiles');
    this.benchPhotos = this.table('benchPhotos');
    this.sheets = this.table('sheets');
  }

  /** Files that an earlier edition kept whole are taken apart, to be there without signal still. */
  private async takeApart(): Promise<void> {
    const files = this.kept.where('path').startsWith('/machines/');
    for (const { answer, at } of await files.toArray()) {
      const read = MachineFile.safeParse(answer);
      if (read.success) await this.layFile(read.data, at);
    }
    await files.delete();
  }

  /** Keeps a whole file; the server is asked for all of it at the next look. */
  async layFile(file: MachineFile, at: string): Promise<void> {
    const ref = ({ model, revision }: SpecSheet) => ({ model, revision });
    await this.sheets.bulkPut([...file.sheets, ...file.earlier]);
    // an earlier edition had no photos, nor a table for them while it is brought up to date
    for (const name of FACTS)
      if (file[name].length)
        await (this.table(name) as Table<{ id: string }>).bulkPut([...file[name]]);
    await this.machines.put({
      id: file.machine.id,
      machine: file.machine,
      version: 0,
      basis: '',
      judgedBy: {
        sheets: file.sheets.map(ref),
        earlier: file.earlier.map(ref),
        rates: file.rates,
        hands: file.hands,
        times: file.times,
        costs: file.costs,
      },
      askedAt: at,
      lookedAt: at,
      stamp: Date.now(),
      chosen: false,
      planned: false,
    });
  }
}

export const local = new LocalStore();
