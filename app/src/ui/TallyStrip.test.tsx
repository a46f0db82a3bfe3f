import { render, screen } from '@testing-library/react-native';
import { BandStrip } from './BandStrip';
import { stripText, stripX, TallyStrip } from './TallyStrip';

const tick = (wear: number, struck = false) => ({ readingId: `${wear}${struck}`, wear, struck });

describe('the tally strip', () => {
  test('new lies left of the stop, the stop left of what is past it', () => {
    const [fresh, half, stop, past] = [0, 0.5, 1, 1.1].map((w) => stripX(w, 340)) as [
      number,
      number,
      number,
      number,
    ];
    expect(fresh).toBeLessThan(half);
    expect(half).toBeCloseTo((fresh + stop) / 2, 6);
    expect(past).toBeGreaterThan(stop);
  });
  test('far past the limit still lies within the drawing', () =>
    expect(stripX(40, 340)).toBeLessThanOrEqual(340));
  test('says in words what it draws: the newest reading that is not struck, and the forecast', () => {
    expect(
      stripText({
        name: 'Fan drive belt',
        ticks: [tick(0.3), tick(0.7), tick(0.2, true)],
        forecast: { low: 0.8, middle: 0.9, high: 1.05 },
      }),
    ).toBe(
      "Fan drive belt: 70 % of the way to the limit, 2 readings; at harvest's end about 90 %, 80 % to 105 %.",
    );
    expect(stripText({ name: 'Fan drive belt', ticks: [] })).toBe(
      'Fan drive belt: no reading yet.',
    );
  });
  test('is one picture to a screen reader', () => {
    render(<TallyStrip name="Fan drive belt" ticks={[tick(0.4)]} />);
    expect(
      screen.getByLabelText('Fan drive belt: 40 % of the way to the limit, 1 reading.'),
    ).toBeTruthy();
  });
});

test('the band strip says which side lies outside', () => {
  render(
    <BandStrip
      name="Travel left"
      from={0}
      to={45}
      low={10}
      high={45}
      ticks={[
        { label: 'left', value: 0 },
        { label: 'right', value: 21 },
      ]}
    />,
  );
  expect(
    screen.getByLabelText(
      'Travel left: left 0 mm, outside the band; right 21 mm, inside the band. Band 10 mm to 45 mm.',
    ),
  ).toBeTruthy();
});
