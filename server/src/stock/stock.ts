import express, { type Express } from 'express';
import { z } from 'zod';
import type { StockAnswer } from '@green-tally/core/contracts';

/*
 * A stand-in for a dealership's stock service, which says that it is one: how many of each part a
 * branch has, and that some were booked in.
 */

/** Its name, as it tells it. */
export const STOCK_NAME = 'Simulated stock';

interface StockWish {
  /** by branch and number */
  readonly shelves: Readonly<Record<string, Readonly<Record<string, number>>>>;
  readonly now?: () => Date;
}

const Booked = z.object({
  branch: z.string().max(120),
  number: z.string().max(120),
  quantity: z.int().min(-100_000).max(100_000),
});

/** The stock service's own little server. */
export function createStock({ shelves, now = () => new Date() }: StockWish): Express {
  const app = express();
  const here = new Map(
    Object.entries(shelves).map(([branch, lines]) => [branch, new Map(Object.entries(lines))]),
  );
  app.disable('x-powered-by');
  app.use(express.json({ limit: '20kb' }));

  app.get('/stock', (req, res) => {
    const shelf = here.get(String(req.query['branch']));
    if (!shelf) return void res.status(404).json({ title: 'No such branch.' });
    const answer: StockAnswer = {
      service: STOCK_NAME,
      simulated: true,
      asOf: now().toISOString(),
      lines: [...shelf].map(([number, onHand]) => ({ number, onHand })),
    };
    res.json(answer);
  });

  app.post('/booked', (req, res) => {
    const said = Booked.safeParse(req.body);
    const shelf = said.success ? here.get(said.data.branch) : undefined;
    if (!said.success || !shelf) return void res.status(400).json({ title: 'Not understood.' });
    const { number, quantity } = said.data;
    shelf.set(number, Math.max(0, (shelf.get(number) ?? 0) + quantity));
    res.status(204).end();
  });

  return app;
}
