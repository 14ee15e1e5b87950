// @ts-check

/**
 * What a number of the program, not of the trade, may be: a time to wait, a size on the screen, how many at once, what is shown, what a file or a
 * number of the database may have rounded. */
const OF_THE_PROGRAM = /_(MS|PX|BYTES|COUNT|SHOWN|DRAWN|DIGITS|ROUNDING)$/;
/** Numbers of physics and of the trade that are at home in the core, whatever they are called. */
const OF_THE_TRADE = new Set([273.15, 288.15, 293.15, 294.15, 295.15, 298.15, 308.15, 328.15, 101_325, 6894.757, 3516.85, 3516.853, 131]);

/** @param {any} node an expression @returns {boolean} whether it is a number by itself, computed from nothing else */
const isNumber = (node) =>
  (node.type === 'Literal' && typeof node.value === 'number') ||
  (node.type === 'UnaryExpression' && isNumber(node.argument)) ||
  (node.type === 'BinaryExpression' && isNumber(node.left) && isNumber(node.right)) ||
  (node.type === 'TSAsExpression' && isNumber(node.expression));

/**
 * A rule of the trade is data of the core, with its source. What is named as a number in an application therefore says by its name that it
 * belongs to the program: `SILENT_MS`, `MOST_WAITING_COUNT`, `LABEL_WIDTH_PX`.
 * @type {import('eslint').Rule.RuleModule}
 */
export const numberOfTheTrade = {
  meta: {
    type: 'problem',
    docs: { description: 'rules of the trade are data of the core' },
    messages: {
      named:
        '`{{name}}`: a number of the trade is data of the core, with its source; one of the program ends with _MS, _PX, _BYTES, _COUNT, _DIGITS, _ROUNDING, _SHOWN or _DRAWN.',
      known: '{{value}} is at home in the core: take it from there.',
    },
    schema: [],
  },
  create: (context) => ({
    VariableDeclarator(node) {
      if (node.id.type !== 'Identifier' || !/^[A-Z][A-Z0-9_]+$/.test(node.id.name) || node.init === null || node.init === undefined) return;
      if (isNumber(node.init) && !OF_THE_PROGRAM.test(node.id.name))
        context.report({ node, messageId: 'named', data: { name: node.id.name } });
    },
    Literal(node) {
      if (typeof node.value === 'number' && OF_THE_TRADE.has(node.value))
        context.report({ node, messageId: 'known', data: { value: String(node.value) } });
    },
  }),
};
