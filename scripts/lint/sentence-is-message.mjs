// @ts-check

/** Two words, or one that begins as a label does: what a person would read. */
const WORDS = /[A-Za-z]{2,}[,.;:!?)"”]* [A-Za-z(0-9"“]|^[A-Z][a-z]+[.:]?$/;
/** Styles, paths and queries of a style sheet look like words. */
const NOT_WORDS =
  /^\(|^M[\d ]|sans-serif|^Atkinson|^(calc|min|max|minmax|translate)\(|^[A-Z][a-z]+[A-Z]|^(Escape|Enter|Tab|Space|Backspace|Delete|Home|End|Shift)$/;
/** What these are given is read by a program. */
const CALLS =
  /^(querySelector(All)?|getContext|matchMedia|addEventListener|fromEvent|setAttribute|createElement|startsWith|endsWith|includes|replace|split|join|describe)$/;

/** @param {any} node @returns {boolean} whether a program compares or names something with it */
function isCode(node) {
  const { parent } = node;
  switch (parent.type) {
    case 'ImportDeclaration':
    case 'ExportNamedDeclaration':
    case 'ImportExpression':
    case 'TSLiteralType':
    case 'SwitchCase':
    case 'MemberExpression':
      return true;
    case 'BinaryExpression':
      return ['===', '!==', '==', '!='].includes(parent.operator);
    case 'Property':
    case 'PropertyDefinition':
    case 'TSPropertySignature':
      return parent.key === node;
    case 'CallExpression':
      return CALLS.test(parent.callee.property?.name ?? parent.callee.name ?? '');
    case 'NewExpression':
      return /^(Error|RegExp|InjectionToken|BroadcastChannel|[A-Z]\w*Missing)$/.test(parent.callee.name ?? '');
    default:
      return false;
  }
}

/** @param {any} node @returns {boolean} whether it stands in a decorator: templates have a rule of their own */
const isDecoration = (node) => node !== null && node !== undefined && (node.type === 'Decorator' || isDecoration(node.parent));

/**
 * Whatever a person reads is a message of the catalogue, so that another language is a file: `$localize` in code, `i18n` in templates.
 * @type {import('eslint').Rule.RuleModule}
 */
export const sentenceIsMessage = {
  meta: {
    type: 'problem',
    docs: { description: 'what a person reads is a message of the catalogue' },
    messages: { plain: '"{{text}}" is read by a person: write $localize`…`, then npm run messages.' },
    schema: [],
  },
  create(context) {
    /** @param {any} node @param {string} text */
    const look = (node, text) => {
      if (WORDS.test(text) && !NOT_WORDS.test(text) && !isCode(node) && !isDecoration(node))
        context.report({ node, messageId: 'plain', data: { text: text.slice(0, 40) } });
    };
    return {
      Literal(node) {
        if (typeof node.value === 'string') look(node, node.value);
      },
      TemplateLiteral(node) {
        if (node.parent.type !== 'TaggedTemplateExpression') look(node, node.quasis.map(({ value }) => value.cooked ?? '').join('0'));
      },
    };
  },
};
