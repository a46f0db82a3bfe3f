/** The gauge's face: its code, and its button. */
export const gaugePage = (code: string): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8" />
<meta name="viewport" content="width=device-width, initial-scale=1" />
<title>Simulated gauge</title>
<style>
  body { font: 18px/1.4 sans-serif; max-width: 24rem; margin: 2rem auto; padding: 0 1rem; }
  output { display: block; font-size: 2.4rem; letter-spacing: 0.2em; border: 2px solid; padding: 0.5rem 1rem; margin: 1rem 0; }
  input, select, button { font: inherit; padding: 0.7rem; margin: 0.3rem 0; width: 100%; box-sizing: border-box; }
</style>
<h1>Simulated gauge</h1>
<p>A stand-in that ships with the demo. It measures nothing: it sends the number below, with noise, to whoever has paired with the code.</p>
<output id="code">${code}</output>
<form method="post" action="/press">
  <label>What it is held to <select name="quantity"><option value="length">length, mm</option><option value="force">force, N</option></select></label>
  <label>The true value <input name="truth" inputmode="decimal" value="36.5" /></label>
  <button>Press its button</button>
</form>
</html>
`;
