import express, { Router } from 'express';
import { z } from 'zod';
import {
  Reading,
  ReadingBatch,
  Walk,
  type BatchAnswer,
  type ImportReport,
} from '@green-tally/core/contracts';
import {
  currentSheets,
  factsChanged,
  machineFiles,
  toMachine,
  toWalk,
  WalkRow,
  MachineRow,
} from '../db';
import { readReadingsCsv, writeReadingsCsv } from '../walks/readingsCsv';
import { openBooks, storeReadings, tryReadings } from '../walks/store';
import { machineToChange } from '../work/work';
import type { Setting } from './app';
import { fieldErrors, notFound } from './problem';
import { allow, personOf } from './session';
import { idOf } from './yard.routes';

const MOST_LINES = 2000;

/** Walks and readings: in batches from the outbox, as CSV in and out. */
export function readingRoutes({ db, clock }: Setting): Router {
  const routes = Router();
  const json = express.json({ limit: '2mb' });

  routes.put('/walks/:id', allow('takeReadings'), json, async (req, res) => {
    const walk = Walk.parse({ ...req.body, id: idOf(req.params['id'], 'walk') });
    await machineToChange(walk.machineId, personOf(res));
    const row = await db.sequelize.transaction(async (transaction) => {
      const times = {
        finishedAt: walk.finishedAt ? new Date(walk.finishedAt) : null,
        madeSafeAt: walk.madeSafeAt ? new Date(walk.madeSafeAt) : null,
      };
      const there = await WalkRow.findByPk(walk.id, { transaction });
      if (there && there.machineId !== walk.machineId) throw notFound('walk on this machine');
      await factsChanged(db, transaction);
      if (there) return there.update({ ...times, noticed: walk.noticed }, { transaction });
      return WalkRow.create(
        { ...walk, ...times, startedAt: new Date(walk.startedAt) },
        { transaction },
      );
    });
    res.json(toWalk(row));
  });

  routes.post('/readings\\:batch', allow('takeReadings'), json, async (req, res) => {
    const { readings } = z
      .object({ readings: z.array(z.unknown()).min(1).max(1000) })
      .parse(req.body);
    const whole = ReadingBatch.safeParse(req.body);
    if (whole.success) {
      const { results } = await storeReadings(
        db,
        whole.data.readings,
        await openBooks(personOf(res), clock.today()),
      );
      return void res.json({ results } satisfies BatchAnswer);
    }
    if (readings.length === 1) throw whole.error;
    const parsed = readings.map((r) => Reading.safeParse(r));
    const good = parsed.flatMap((p) => (p.success ? [p.data] : []));
    const stored = good.length
      ? (await storeReadings(db, good, await openBooks(personOf(res), clock.today()))).results
      : [];
    const results = parsed.map(
      (p, i) =>
        (p.success ? stored.shift() : undefined) ?? {
          id: idIn(readings[i]),
          result: 'rejected' as const,
          errors: p.success ? [] : fieldErrors(p.error),
        },
    );
    res.json({ results } satisfies BatchAnswer);
  });

  routes.post(
    '/readings/import',
    allow('importReadings'),
    express.text({ type: () => true, limit: '40mb' }),
    async (req, res) => {
      const { mode, preview } = z
        .object({
          mode: z.enum(['all', 'valid']).default('all'),
          preview: z.enum(['yes', 'no']).default('no'),
        })
        .parse(req.query);
      const text = z.string('a CSV file').parse(typeof req.body === 'string' ? req.body : '');
      const machines = (await MachineRow.findAll()).map(toMachine);
      const rows = readReadingsCsv(text, machines, await currentSheets());
      const books = await openBooks(personOf(res), clock.today());
      const readings = rows.flatMap((r) => (r.reading ? [r.reading] : []));
      const unreadable = rows.length > readings.length;
      const dry = preview === 'yes' || (mode === 'all' && unreadable);
      const { results, stored } = dry
        ? { results: await tryReadings(db, readings, books), stored: false }
        : await storeReadings(db, readings, books, mode === 'all');
      const answers = [...results];
      const lines = rows.map((r): ImportReport['lines'][number] => {
        const answer = r.reading ? answers.shift() : undefined;
        return {
          row: r.row,
          machine: r.machine,
          check: r.check,
          result: answer?.result ?? 'rejected',
          errors: [...r.errors, ...(answer?.errors ?? [])],
        };
      });
      const count = (result: string) => lines.filter((l) => l.result === result).length;
      const told = [
        ...lines.filter((l) => l.result !== 'accepted').slice(0, MOST_LINES),
        ...lines.filter((l) => l.result === 'accepted').slice(0, MOST_LINES),
      ].sort((a, b) => a.row - b.row);
      res.json({
        mode,
        stored,
        rows: lines.length,
        accepted: count('accepted'),
        duplicate: count('duplicate'),
        rejected: count('rejected'),
        columnsMissing: [],
        lines: told,
        linesLeftOut: lines.length - told.length,
      } satisfies ImportReport);
    },
  );

  routes.get('/readings.csv', allow('look'), async (req, res) => {
    const person = personOf(res);
    const { machine } = z.object({ machine: z.uuid().optional() }).parse(req.query);
    const files = await machineFiles(
      machine ? { id: machine } : person.role === 'admin' ? {} : { branch: person.branch },
    );
    const serials = new Map(files.map((f) => [f.machine.id, f.machine.serial]));
    res
      .type('text/csv; charset=utf-8')
      .attachment('green-tally-readings.csv')
      .send(
        writeReadingsCsv(
          files.flatMap((f) => f.readings),
          serials,
        ),
      );
  });
  return routes;
}

const idIn = (reading: unknown): string =>
  z.object({ id: z.string().max(100) }).safeParse(reading).data?.id ?? '';
