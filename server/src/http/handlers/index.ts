import type { Setting } from '../setting';
import type { Handlers } from '../mount';
import { aboutHandlers } from './about';
import { bookHandlers } from './books';
import { cardHandlers } from './cards';
import { costsHandlers } from './costs';
import { machineHandlers } from './machines';
import { partsHandlers } from './parts';
import { peopleHandlers } from './people';
import { photoHandlers } from './photos';
import { tokenHandlers } from './tokens';
import { hoursHandlers } from './hours';
import { insightHandlers } from './insight';
import { reportHandlers } from './reports';
import { archiveHandlers } from './archive';
import { boardHandlers } from './board';
import { workHandlers } from './work';
import { readingHandlers } from './readings';
import { toolHandlers } from './tools';
import { sheetHandlers } from './sheets';

/** A handler for every route of the table, one file a resource. */
export const handlersFor = (setting: Setting): Handlers => ({
  ...aboutHandlers(),
  ...peopleHandlers(setting),
  ...machineHandlers(setting),
  ...bookHandlers(setting),
  ...costsHandlers(setting),
  ...partsHandlers(setting),
  ...sheetHandlers(setting),
  ...readingHandlers(setting),
  ...workHandlers(setting),
  ...boardHandlers(setting),
  ...photoHandlers(setting),
  ...toolHandlers(setting),
  ...cardHandlers(setting),
  ...reportHandlers(setting),
  ...archiveHandlers(setting),
  ...hoursHandlers(setting),
  ...insightHandlers(setting),
  ...tokenHandlers(setting),
});
