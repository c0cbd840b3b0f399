// Texts stand in words alone: no English in a template, no sentence put together out of pieces of the dictionary.

/** What may stand between a text and something else: a label and its value, items side by side. */
const SEPARATOR = /[·:;/(),[\]→\n]/;
const LETTERS = /\p{L}{2,}/u;
/** Attributes that are read or heard. */
const READ = /^(aria-label|aria-description|title|label|placeholder|alt|matTooltip)$/;
/** A dictionary is called `words`, `wheelWords`, `files` …; what it holds is read, not called: a call makes a sentence. */
const isDictionary = (name) => /(^w|W)ords$/.test(name ?? '');

/** Whether an expression of a template reads a text of a dictionary as it is. */
function readsText(node) {
  if (!node) return false;
  if (node.type === 'PropertyRead' || node.type === 'SafePropertyRead') {
    if (isDictionary(node.name)) return true;
    return readsText(node.receiver);
  }
  if (node.type === 'KeyedRead') return readsText(node.receiver);
  if (node.type === 'Conditional') return readsText(node.trueExp) || readsText(node.falseExp);
  if (node.type === 'ParenthesizedExpression') return readsText(node.expression);
  if (node.type === 'BindingPipe') return readsText(node.exp);
  if (node.type === 'Call') return node.receiver?.name === 'toLowerCase' && readsText(node.receiver.receiver);
  return false;
}
/** Pieces of `a + ' ' + b`, in order. */
const pieces = (node) =>
  node?.type === 'Binary' && node.operation === '+' ? [...pieces(node.left), ...pieces(node.right)] : [node];
/** Whether a text and what stands beside it make a phrase: only a separator keeps them apart. */
function isGlued(parts, reads, literal) {
  return parts.some((part, i) => {
    if (!reads(part)) return false;
    return [i - 1, i + 1].some((n) => {
      const beside = parts[n];
      if (beside === undefined) return false;
      const between = literal(beside);
      if (between === null) return true;
      const after = parts[n + (n - i)];
      return after !== undefined && !SEPARATOR.test(between);
    });
  });
}

/** Templates: what is read stands in words. */
export const templateTexts = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      english: 'A text stands in words/en.',
      glued: 'A sentence is one entry of words/en, with its figures.',
    },
  },
  create(context) {
    const { parserServices } = context.sourceCode;
    const report = (node, messageId) =>
      context.report({ loc: parserServices.convertNodeSourceSpanToLoc(node.sourceSpan), messageId });
    const literal = (piece) =>
      piece?.type === 'LiteralPrimitive' && typeof piece.value === 'string' ? piece.value : null;
    return {
      Text(node) {
        if (LETTERS.test(node.value ?? '')) report(node, 'english');
      },
      TextAttribute(node) {
        if (READ.test(node.name) && LETTERS.test(node.value)) report(node, 'english');
      },
      BoundText(node) {
        const { strings, expressions } = node.value.ast;
        if (strings.some((s) => LETTERS.test(s.replace(/&\w+;/g, '')))) return report(node, 'english');
        const parts = strings.flatMap((s, i) => [
          ...(s === '' ? [] : [s]),
          ...(i < expressions.length ? [expressions[i]] : []),
        ]);
        if (isGlued(parts, readsText, (p) => (typeof p === 'string' ? p : null))) report(node, 'glued');
      },
      BoundAttribute(node) {
        const all = pieces(node.value?.ast);
        if (READ.test(node.name) && all.some((p) => LETTERS.test(literal(p) ?? ''))) return report(node, 'english');
        if (all.length > 1 && isGlued(all, readsText, literal)) report(node, 'glued');
      },
    };
  },
};

/** Code: a template literal that puts a text of a dictionary into a phrase. */
export const codeTexts = {
  meta: { type: 'problem', schema: [], messages: templateTexts.meta.messages },
  create(context) {
    const reads = (node) => {
      if (node?.type === 'MemberExpression')
        return isDictionary(node.property.name) || isDictionary(node.object.name) || reads(node.object);
      if (node?.type === 'ConditionalExpression') return reads(node.consequent) || reads(node.alternate);
      return false;
    };
    return {
      TemplateLiteral(node) {
        const parts = node.quasis.flatMap((q, i) => [
          ...(q.value.cooked === '' ? [] : [q.value.cooked]),
          ...(node.expressions[i] ? [node.expressions[i]] : []),
        ]);
        if (isGlued(parts, reads, (p) => (typeof p === 'string' ? p : null)))
          context.report({ node, messageId: 'glued' });
      },
    };
  },
};
