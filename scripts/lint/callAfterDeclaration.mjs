/**
 * A function declared inside another function is called only below its declaration. It could be called above, but a
 * constant between the two would not be there yet, and the call would fail when it runs, not when it is compiled.
 */
export const callAfterDeclaration = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { early: '"{{name}}" is called above its declaration: move the declaration up.' },
  },
  create(context) {
    const { sourceCode } = context;
    return {
      FunctionDeclaration(node) {
        const scope = sourceCode.getScope(node.parent);
        const declaring = scope.variableScope;
        if (declaring.type !== 'function' || node.id === null) return;
        const variable = sourceCode.getDeclaredVariables(node).find((v) => v.name === node.id.name);
        for (const reference of variable?.references ?? []) {
          const { identifier } = reference;
          const runsAtOnce = reference.from.variableScope === declaring;
          if (!runsAtOnce || identifier.range[0] >= node.range[0]) continue;
          context.report({ node: identifier, messageId: 'early', data: { name: node.id.name } });
        }
      },
    };
  },
};
