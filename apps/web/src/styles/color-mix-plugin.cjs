/**
 * The component styles compute shades with Less functions, which need a colour when the style is built. Ours are custom
 * properties, known only in the browser: for those the functions write `color-mix()` instead.
 */
module.exports = {
  install(less, _manager, functions) {
    const { Anonymous, Color } = less.tree;
    const percent = (amount) => `${amount.value}%`;
    const css = (node) => (typeof node.value === 'string' ? node.value : node.toCSS({}));
    const mixes = {
      fade: (color, amount) => `color-mix(in srgb, ${css(color)} ${percent(amount)}, transparent)`,
      lighten: (color, amount) => `color-mix(in srgb, ${css(color)}, white ${percent(amount)})`,
      darken: (color, amount) => `color-mix(in srgb, ${css(color)}, black ${percent(amount)})`,
      tint: (color, amount) => `color-mix(in srgb, ${css(color)}, white ${percent(amount)})`,
      shade: (color, amount) => `color-mix(in srgb, ${css(color)}, black ${percent(amount)})`,
    };
    for (const [name, mix] of Object.entries(mixes)) {
      const original = less.functions.functionRegistry.get(name);
      functions.add(name, (color, amount) => (color instanceof Color ? original(color, amount) : new Anonymous(mix(color, amount))));
    }
  },
};
