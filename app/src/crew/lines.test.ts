import {
  awayIn,
  awayOut,
  figureIn,
  holidaysIn,
  holidaysOut,
  skillsIn,
  skillsOut,
  wordsIn,
} from './lines';

describe('lists as lines of text', () => {
  test('come out as they went in', () => {
    const holidays = '2026-06-24 Midsummer\n2026-12-25 First day of Christmas';
    expect(holidaysOut(holidaysIn(`\n ${holidays} \n`))).toBe(holidays);
    const skills = 'hydraulics: cylinder, pump\ndrives: variable';
    expect(skillsOut(skillsIn(skills))).toBe(skills);
    const away = '2026-06-15 2026-06-19 on a course';
    expect(awayOut(awayIn(away))).toBe(away);
    expect(wordsIn(' concave, ,feeder drum ')).toEqual(['concave', 'feeder drum']);
  });
  test.each([
    [holidaysIn, '2026-06-24 Fair\nMidsummer', /line 2: begin with a day/],
    [holidaysIn, '2026-02-30 Never', /line 1: begin with a day/],
    [holidaysIn, '2026-06-24', /the name of 2026-06-24 is missing/],
    [skillsIn, 'hydraulics', /line 1: a name, a colon/],
    [skillsIn, 'hydraulics: ,', /line 1/],
    [skillsIn, ': pump', /line 1/],
    [awayIn, '2026-06-15 course', /line 1: first and last day/],
    [awayIn, '2026-06-19 2026-06-15 course', /2026-06-15 lies before 2026-06-19/],
    [awayIn, '2026-06-15 2026-06-19', /say why/],
  ])('what is wrong names its line: %p %j', (read, text, said) =>
    expect(() => read(text)).toThrow(said),
  );
  test('figures', () => {
    expect(figureIn('1,5', 'km east')).toBe(1.5);
    expect(() => figureIn('by the mill', 'km east')).toThrow(
      /km east: a number in figures, not “by the mill”/,
    );
    expect(() => figureIn('2.5', 'Bays', { whole: true, least: 0 })).toThrow(
      /Bays: a whole number in figures, 0 or more/,
    );
    expect(() => figureIn('', 'Bays')).toThrow(/Bays/);
  });
});
