import { isMap, isPair, isSeq, LineCounter, parseDocument, type Document, type Node } from 'yaml';
import { SpecSheet } from '@green-tally/core/contracts';
import { Invalid } from '../errors';

/** What is wrong in a sheet's file: the line, the field and what was wanted. */
export interface SheetTrouble {
  readonly line: number;
  readonly field: string;
  readonly message: string;
}

/** A file that was read: the sheet, or every trouble of it. */
export type SheetRead =
  | { sheet: SpecSheet; troubles: []; model: string }
  | { sheet: undefined; troubles: SheetTrouble[]; model: string };

const MOST_TOLD = 200;
/** A sheet nests a dozen deep: what nests so deep is none, and would cost seconds to read. */
const DEEPEST = 100;

/**
 * Reads a sheet from its file, JSON or YAML.
 * @returns the sheet, or every trouble with its line; never half a sheet
 * @throws {Invalid} when it is empty, nests deeper than any sheet, or repeats itself without end
 */
export function readSheet(text: string): SheetRead {
  if (!text.trim()) throw new Invalid('An empty file', 'Choose a spec sheet, JSON or YAML.');
  const tooDeep = lineTooDeep(text);
  if (tooDeep !== undefined)
    throw new Invalid(
      'Not a spec sheet',
      `Line ${tooDeep}: lists and fields stand more than ${DEEPEST} deep within each other, which no sheet needs. Look whether this is the right file.`,
    );
  // well-formed JSON is read fast; lines are only looked for when something is wrong
  const plain = jsonOf(text);
  const parsed = plain === undefined ? undefined : SpecSheet.safeParse(plain);
  if (parsed?.success) return { sheet: parsed.data, troubles: [], model: parsed.data.model };
  const lines = new LineCounter();
  const document = parseDocument(text, {
    lineCounter: lines,
    prettyErrors: false,
    uniqueKeys: true,
  });
  if (document.errors.length)
    return {
      sheet: undefined,
      model: '',
      troubles: document.errors
        .slice(0, MOST_TOLD)
        .map((e) => ({ line: lines.linePos(e.pos[0]).line, field: 'file', message: e.message })),
    };
  const result = SpecSheet.safeParse(valueOf(document));
  if (result.success) return { sheet: result.data, troubles: [], model: result.data.model };
  const model = document.get('model');
  return {
    sheet: undefined,
    model: typeof model === 'string' ? model : '',
    troubles: result.error.issues
      .slice(0, MOST_TOLD)
      .map((issue) => ({
        line: lineOf(document, issue.path, lines),
        field: issue.path.join('.') || 'sheet',
        message: issue.message.startsWith('Invalid') ? issue.message : `wanted ${issue.message}`,
      }))
      .sort((a, b) => a.line - b.line),
  };
}

/** What is escaped or quoted, and what opens, closes or begins a line; dashes of lists within lists. */
const MARKS = new RegExp(`\\\\.|"(?:[^"\\\\]|\\\\.)*"|[[\\]{}\\n]|(?:- ){${DEEPEST},}`, 'gs');

/** The first line where lists and fields stand deeper within each other than in any sheet. */
function lineTooDeep(text: string): number | undefined {
  let [depth, line] = [0, 1];
  for (const [mark] of text.matchAll(MARKS)) {
    if (mark === '[' || mark === '{') depth += 1;
    else if (mark === ']' || mark === '}') depth = Math.max(0, depth - 1);
    // a quoted text may go on over lines
    else if (mark.includes('\n')) line += mark.split('\n').length - 1;
    if (depth > DEEPEST || mark.startsWith('- ')) return line;
  }
  return undefined;
}

function valueOf(document: Document): unknown {
  try {
    return document.toJS({ maxAliasCount: 50 });
  } catch (error) {
    throw new Invalid(
      'Not a spec sheet',
      error instanceof Error && error.message.startsWith('Excessive')
        ? 'It repeats parts of itself by & and * more often than any sheet does. Write them out.'
        : 'What it repeats by & and * cannot be followed. Write it out.',
    );
  }
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The line of the deepest part of a path that is in the file. */
function lineOf(document: Document, path: readonly PropertyKey[], lines: LineCounter): number {
  let node: unknown = document.contents;
  let at = 0;
  for (const step of path) {
    if (isMap(node)) {
      const pair = node.items.find((i) => isPair(i) && String(i.key) === String(step));
      if (!pair) break;
      at = startOf(pair.key) ?? at;
      node = pair.value;
    } else if (isSeq(node) && typeof step === 'number') {
      node = node.items[step];
      at = startOf(node) ?? at;
    } else break;
  }
  return lines.linePos(at).line;
}

function startOf(node: unknown): number | undefined {
  return (node as Node | null)?.range?.[0];
}
