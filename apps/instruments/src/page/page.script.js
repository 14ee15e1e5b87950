// @ts-check
const groups = [
  ['Valve', 'valve', [['open', 'Open'], ['shut', 'Shut']]],
  ['Machine', 'machine', [['on', 'Running'], ['off', 'Stopped']]],
  ['Cylinder stands in', 'cooling', [['still-air', 'Still air'], ['fan', 'Fan'], ['water', 'Water'], ['ice', 'Ice']]],
  ['Time passes', 'speed', [[1, '1 ×'], [10, '10 ×'], [60, '60 ×']]],
]; // prettier-ignore
const faults = [['suction', 'suction probe'], ['head', 'head probe'], ['wall', 'clamp']]; // prettier-ignore

const at = (/** @type {string} */ id) => /** @type {HTMLElement} */ (document.getElementById(id));
const form = /** @type {HTMLFormElement} */ (at('setting'));

/** @param {string} path @param {unknown} [body] */
async function ask(path, body) {
  const response = await fetch(path, body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) });
  const answer = await response.json();
  at('problem').textContent = response.ok ? '' : answer.problem;
  if (!response.ok) throw new Error(answer.problem);
  return answer;
}

/** @param {string} text @param {boolean | undefined} pressed @param {object} act */
function button(text, pressed, act) {
  const own = document.createElement('button');
  own.textContent = text;
  if (pressed !== undefined) own.setAttribute('aria-pressed', String(pressed));
  own.onclick = () => ask('/act', act).then(show);
  return own;
}

/** @param {string} title @param {HTMLElement[]} buttons */
function group(title, buttons) {
  const own = document.createElement('fieldset');
  const legend = document.createElement('legend');
  legend.textContent = title;
  own.append(legend, ...buttons);
  return own;
}

let drawn = '';

/** @param {any} state */
function show({ scene, waiting }) {
  if (scene === undefined) return;
  const now = JSON.stringify([scene.valve, scene.machine, scene.cooling, scene.speed, scene.off, scene.zeroKg]);
  if (now !== drawn) {
    drawn = now;
    at('acts').replaceChildren(
      ...groups.map(([title, act, choices]) =>
        group(
          String(title),
          /** @type {[string | number, string][]} */ (choices).map(([to, text]) => button(text, scene[String(act)] === to, { act, to })),
        ),
      ),
      group('Disturb', [
        button('Kick the scale', undefined, { act: 'kick' }),
        button('Scale 1 lb heavy', scene.zeroKg !== 0, { act: 'zero', kg: scene.zeroKg === 0 ? 0.4536 : 0 }),
        ...faults.map(([probe, text]) =>
          button(`Pull off ${text}`, scene.off.includes(probe), { act: 'probe', probe, to: scene.off.includes(probe) ? 'on' : 'off' }),
        ),
      ]),
    );
  }
  const psig = (/** @type {number} */ p) => `${((p - 101_325) / 6894.757).toFixed(0)} psig`;
  const lb = (/** @type {number} */ kg) => `${(kg / 0.45359237).toFixed(1)} lb`;
  const rows = {
    gross: lb(scene.grossKg),
    suction: psig(scene.suctionPa),
    head: psig(scene.headPa),
    cylinder: `${((scene.cylinderK - 273.15) * 1.8 + 32).toFixed(0)} °F`,
    'in the system': lb(scene.systemKg),
    'time of the scene': `${(scene.t / 60).toFixed(1)} min`,
    'last of what happened': scene.events.at(-2)?.kind ?? 'nothing yet',
    'packs that wait': String(waiting),
  };
  at('truth').replaceChildren(
    ...Object.entries(rows).map(([name, value]) => {
      const [row, term, told] = [document.createElement('div'), document.createElement('dt'), document.createElement('dd')];
      term.textContent = name;
      told.textContent = value;
      row.append(term, told);
      return row;
    }),
  );
}

form.onsubmit = (event) => {
  event.preventDefault();
  const { system, cylinder, method, ambientK } = Object.fromEntries(new FormData(form));
  void ask('/scene', { system, cylinder, method, ambientK: Number(ambientK) }).then(show);
};

async function offer() {
  const offers = await ask('/offers');
  for (const [name, list] of [
    ['system', offers.systems],
    ['cylinder', offers.cylinders],
  ]) {
    // prettier-ignore
    const select = /** @type {HTMLSelectElement} */ (form.elements.namedItem(name));
    select.replaceChildren(...list.map((/** @type {any} */ own) => new Option(own.title, own.id)));
  }
}

void offer();
setInterval(() => void ask('/state').then(show, () => undefined), 1000);
