import { catalogue, changeParts, keepSuppliers } from '../../parts/catalogue';
import { partsPage } from '../../parts/demand';
import { catalogueCsv, demandCsv, importParts } from '../../parts/files';
import { cancelOrder, changeOrder, placeOrders, type Counter } from '../../parts/orders';
import { askStock, keepCount } from '../../parts/stock';
import { vanOfDay, vanOfVisit } from '../../parts/van';
import type { Handlers } from '../mount';
import { lookingAt, type Setting } from '../setting';

/** The catalogue, stock, orders, and what is loaded. */
export function partsHandlers(setting: Setting) {
  const { db, clock, stock, readers } = setting;
  const at = (person: Counter['person']): Counter => ({
    ...{ db, person, stock },
    ...{ today: clock.today(), now: clock.now() },
  });
  const looking = (person: Counter['person']) => {
    const { branch } = person;
    return { ...lookingAt(setting, branch), branch };
  };
  return {
    'GET /catalogue': ({ person }) => catalogue(person.branch),
    'PUT /parts': ({ body, person }) => changeParts(db, body, { person, now: clock.now() }),
    'PUT /suppliers': ({ body }) => keepSuppliers(db, body),
    'GET /parts': ({ person }) => partsPage(looking(person)),
    'GET /parts.csv': async ({ person }) => ({
      text: await demandCsv(looking(person)),
      filename: 'green-tally-parts.csv',
    }),
    'GET /catalogue.csv': async ({ person }) => ({
      text: await catalogueCsv(person.branch),
      filename: 'green-tally-catalogue.csv',
    }),
    'POST /catalogue/import': ({ body, person }) =>
      importParts(db, body, { person, now: clock.now(), table: readers?.table }),
    'PUT /stock': ({ body, person }) =>
      keepCount({ db, branch: person.branch, now: clock.now() }, body),
    'POST /stock/ask': async () => ({ answered: await askStock(db, stock) }),
    'POST /orders': async ({ body, person }) => ({
      orders: await placeOrders(at(person), body),
    }),
    'PUT /orders/{id}': ({ params, body, person }) => changeOrder(at(person), params.id, body),
    'DELETE /orders/{id}': ({ params, person }) => cancelOrder(at(person), params.id),
    'GET /visits/{id}/van': ({ params, person }) => vanOfVisit(params.id, person),
    'GET /van': ({ query, person }) => vanOfDay(query.technician, query.on, person),
  } satisfies Partial<Handlers>;
}
