import { ARCHIVE_LISTS } from './lists';

/** What lies beside the files of an archive, for who opens it without us. */
export const readmeOf = (): string => `# A Green Tally archive

Everything of one place as it stood at one moment, in files that any program reads.

- \`manifest.json\`: what is in it. Each file with its length, its SHA-256 and, of a list, how many rows.
- \`data/<list>.jsonl\`: a list each, UTF-8, one row a line, each a JSON object. Moments are UTC to the microsecond; hours are separator hours unless a meter is named; lengths are in the unit that stands beside them.
- \`schemas/<list>.schema.json\`: the JSON Schema of its rows.
- \`photos/<id>.full.jpg\`, \`photos/<id>.small.jpg\`: the photos of the list photos.
- \`pages/<id>\`: pages of books of the list sheet-pages, each of the type that its row names.

It goes into a place that is empty but for who set it up, by the settings' Archive or by \`npm run archive -- in <file>\`. It is taken whole or not at all.

Passwords, sessions, tokens and the keys of links are not in it.

| list | what it holds |
|---|---|
${ARCHIVE_LISTS.map(({ name, about }) => `| ${name} | ${about} |`).join('\n')}
`;
