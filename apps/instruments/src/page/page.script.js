// @ts-check
const speeds = ['Time passes', 'speed', [[1, '1 ×'], [10, '10 ×'], [60, '60 ×']]]; // prettier-ignore
const groups = {
  transfer: [
    ['Valve', 'valve', [['open', 'Open'], ['shut', 'Shut']]],
    ['Machine', 'machine', [['on', 'Running'], ['throttled', 'Suction throttled'], ['loop', 'Loops the cylinder'], ['purge', 'Purges itself'], ['off', 'Stopped']]],
    ['Cylinder stands in', 'cooling', [['still-air', 'Still air'], ['fan', 'Fan'], ['water', 'Water'], ['ice', 'Ice']]],
    speeds,
  ],
  proof: [
    ['Vacuum pump', 'pump', [['on', 'Running'], ['off', 'Shut off']]],
    ['Valve of the system', 'system-valve', [['open', 'Open'], ['shut', 'Shut']]],
    ['Sun on the pipes', 'sun', [['on', 'Yes'], ['off', 'No']]],
    speeds,
  ],
  running: [
    ['Compressor', 'compressor', [['on', 'Running'], ['off', 'Stopped']]],
    ['Valve of the cylinder', 'feed', [['open', 'Open'], ['shut', 'Shut']]],
    ['Rain on the condenser', 'rain', [['on', 'Yes'], ['off', 'No']]],
    speeds,
  ],
}; // prettier-ignore
const faults = {
  transfer: [['suction', 'suction probe'], ['head', 'head probe'], ['wall', 'clamp']],
  proof: [['head', 'pressure probe'], ['wall', 'clamp'], ['air', 'air thermometer'], ['vacuum', 'micron gauge']],
  running: [['suction', 'suction probe'], ['head', 'head probe'], ['suctionLine', 'suction clamp'], ['liquidLine', 'liquid clamp'], ['supply', 'supply thermometer']],
}; // prettier-ignore

const at = (/** @type {string} */ id) => /** @type {HTMLElement} */ (document.getElementById(id));
const form = /** @type {HTMLFormElement} */ (at('setting'));
const proof = /** @type {HTMLFormElement} */ (at('proof'));
const run = /** @type {HTMLFormElement} */ (at('run'));

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

/** A sample with the identifier. */
function identify() {
  const own = document.createElement('button');
  own.textContent = 'Sample with the identifier';
  own.onclick = () => ask('/identify', {}).then(show);
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

const psig = (/** @type {number} */ p) => `${((p - 101_325) / 6894.757).toFixed(1)} psig`;
const lb = (/** @type {number} */ kg) => `${(kg / 0.45359237).toFixed(1)} lb`;
const fahrenheit = (/** @type {number} */ K) => `${((K - 273.15) * 1.8 + 32).toFixed(0)} °F`;

/** What stands for the state of a choice. @param {any} scene @param {string} act */
const stateOf = (scene, act) => (act === 'system-valve' ? scene.valve : act === 'sun' ? (scene.sun ? 'on' : 'off') : scene[act]);

/** What else can be done. @type {Record<string, (scene: any) => HTMLElement>} */
const others = {
  transfer: (scene) =>
    group('Do', [
      identify(),
      button('Kick the scale', undefined, { act: 'kick' }),
      button('Scale 1 lb heavy', scene.zeroKg !== 0, { act: 'zero', kg: scene.zeroKg === 0 ? 0.4536 : 0 }),
      ...pulledOff(scene),
    ]),
  proof: (scene) =>
    group('Do', [
      button('Nitrogen to 300 psig', undefined, { act: 'nitrogen', gaugePa: 300 * 6894.757 }),
      button('Nitrogen to 150 psig', undefined, { act: 'nitrogen', gaugePa: 150 * 6894.757 }),
      button('Vent', undefined, { act: 'vent' }),
      button('Mend the leak', scene.leak === 'none', { act: 'mend' }),
      ...pulledOff(scene),
    ]),
  running: (scene) => group('Do', [button('Put right what is wrong', undefined, { act: 'put-right' }), ...pulledOff(scene)]),
};

/** @param {any} scene */
const pulledOff = (scene) =>
  faults[/** @type {keyof typeof faults} */ (scene.kind)].map(([probe, text]) =>
    button(`Pull off ${text}`, scene.off.includes(probe), { act: 'probe', probe, to: scene.off.includes(probe) ? 'on' : 'off' }),
  );

const kelvins = (/** @type {number} */ K) => `${(1.8 * K).toFixed(1)} °F`;

/** @type {Record<string, (scene: any) => Record<string, string>>} */
const truthOf = {
  transfer: (scene) => ({
    gross: lb(scene.grossKg),
    suction: psig(scene.suctionPa),
    head: psig(scene.headPa),
    cylinder: fahrenheit(scene.cylinderK),
    'in the system': lb(scene.systemKg),
    'last of what happened': scene.events.at(-2)?.kind ?? 'nothing yet',
  }),
  proof: (scene) => ({
    pressure: scene.nitrogenPa === null ? `${(scene.vacuumPa / 0.133322387415).toFixed(0)} microns` : psig(scene.nitrogenPa),
    leak: scene.leak === 'own-hose' ? 'in the hose' : scene.leak,
    water: scene.waterKg > 0 ? `${(1000 * scene.waterKg).toFixed(1)} g` : 'none',
    pipe: fahrenheit(scene.pipeK),
    air: fahrenheit(scene.airK),
  }),
  running: (scene) => ({
    charge: `${lb(scene.chargeKg)} of ${lb(scene.plateKg)}`,
    'on the scale': lb(scene.grossKg),
    suction: psig(scene.suctionPa),
    head: psig(scene.headPa),
    superheat: kelvins(scene.superheatK),
    subcooling: kelvins(scene.subcoolingK),
  }),
};

let drawn = '';

/** @param {any} state */
function show({ scene, waiting }) {
  if (scene === undefined) return;
  const choices = groups[/** @type {keyof typeof groups} */ (scene.kind)];
  const now = JSON.stringify([scene.kind, choices.map(([, act]) => stateOf(scene, String(act))), scene.off, scene.zeroKg, scene.leak]);
  if (now !== drawn) {
    drawn = now;
    at('acts').replaceChildren(
      ...choices.map(([title, act, offered]) =>
        group(
          String(title),
          /** @type {[string | number, string][]} */ (offered).map(([to, text]) =>
            button(text, stateOf(scene, String(act)) === to, { act, to }),
          ),
        ),
      ),
      others[scene.kind](scene),
    );
  }
  const rows = {
    ...truthOf[scene.kind](scene),
    'time of the scene': `${(scene.t / 60).toFixed(1)} min`,
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
  const { system, cylinder, method, ambientK, airKg } = Object.fromEntries(new FormData(form));
  void ask('/scene', { system, cylinder, method, ambientK: Number(ambientK), airKg: Number(airKg) }).then(show);
};

proof.onsubmit = (event) => {
  event.preventDefault();
  const { system, leak, wet, ambientK } = Object.fromEntries(new FormData(proof));
  void ask('/proof', { system, leak, wet: wet === 'yes', ambientK: Number(ambientK) }).then(show);
};

run.onsubmit = (event) => {
  event.preventDefault();
  const { outdoorK, heating, ...chosen } = Object.fromEntries(new FormData(run));
  void ask('/run', { ...chosen, heating: heating === 'yes', outdoorK: Number(outdoorK) }).then(show);
};

async function offer() {
  const offers = await ask('/offers');
  for (const [where, name, list] of [
    [form, 'system', offers.systems],
    [form, 'cylinder', offers.cylinders],
    [proof, 'system', offers.systems],
    [run, 'system', offers.systems],
    [run, 'cylinder', offers.cylinders],
  ]) {
    const select = /** @type {HTMLSelectElement} */ (where.elements.namedItem(name));
    select.replaceChildren(...list.map((/** @type {any} */ own) => new Option(own.title, own.id)));
  }
}

void offer();
setInterval(() => void ask('/state').then(show, () => undefined), 1000);
