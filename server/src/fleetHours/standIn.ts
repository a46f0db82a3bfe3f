import express, { type Express } from 'express';

/*
 * A stand-in for a telematics service, which says that it is one: a fleet snapshot in JSON and XML, page
 * by page, whose meters go on with the days.
 */

/** Its name, as it tells it. */
export const FLEET_NAME = 'Simulated fleet';

/** A machine as the service knows it. */
export interface FleetMachine {
  readonly serial: string;
  readonly model: string;
  readonly separator: number;
  readonly engine: number;
}

interface FleetWish {
  readonly machines: readonly FleetMachine[];
  readonly now: () => Date;
  /** machines a page */
  readonly size?: number;
}

/** The fleet service's own little server. */
export function createFleet({ machines, now, size = 8 }: FleetWish): Express {
  const app = express();
  app.disable('x-powered-by');
  const pages = Math.max(1, Math.ceil(machines.length / size));
  const page = (n: number) => machines.slice((n - 1) * size, n * size);
  app.get('/fleet/:page', (req, res) => {
    const n = Number(req.params.page);
    if (!Number.isInteger(n) || n < 1 || n > pages)
      return void res.status(404).json({ title: 'No such page.' });
    const datetime = now().toISOString();
    const next = n < pages ? `/fleet/${n + 1}` : undefined;
    if (req.accepts(['json', 'xml']) === 'xml') {
      const equipment = page(n).map(
        (m) =>
          `<Equipment><EquipmentHeader><OEMName>${FLEET_NAME}</OEMName><Model>${m.model}</Model><SerialNumber>${m.serial}</SerialNumber></EquipmentHeader><CumulativeOperatingHours><datetime>${datetime}</datetime><Hour>${m.engine}</Hour></CumulativeOperatingHours><CumulativeSeparatorHours><datetime>${datetime}</datetime><Hour>${m.separator}</Hour></CumulativeSeparatorHours></Equipment>`,
      );
      const links = next ? `<Links><rel>next</rel><href>${next}</href></Links>` : '';
      return void res
        .type('application/xml')
        .send(`<?xml version="1.0"?><Fleet version="3">${links}${equipment.join('')}</Fleet>`);
    }
    res.json({
      ...{ service: FLEET_NAME, simulated: true, snapshotTime: datetime },
      Links: next ? [{ rel: 'next', href: next }] : [],
      Equipment: page(n).map((m) => ({
        EquipmentHeader: { OEMName: FLEET_NAME, Model: m.model, SerialNumber: m.serial },
        CumulativeOperatingHours: { datetime, Hour: m.engine },
        CumulativeSeparatorHours: { datetime, Hour: m.separator },
      })),
    });
  });
  return app;
}
