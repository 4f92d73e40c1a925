import { createCompoundExpression, createSimpleExpression, type NodeTransform, NodeTypes } from '@vue/compiler-dom'
import { differs } from '../core/words/dialect'

/** Attributes that are read or heard. */
const SAID = new Set(['aria-label', 'title', 'placeholder', 'alt'])

/** As an expression, not as text: Vue takes a call of plain text with a constant for constant, and says it once for all. */
const spoken = () => createSimpleExpression('_ctx.$w', false)

/**
 * Lets all text of the templates be said in the words of the study: every interpolation, every text that reads otherwise in US
 * units, and the attributes that are read goes through `$w` (app/plugins/words.ts). So no component can forget it.
 */
export const words: NodeTransform = (node) => {
  if (node.type === NodeTypes.INTERPOLATION) node.content = createCompoundExpression([spoken(), '(', node.content, ')'])
  if (node.type === NodeTypes.ELEMENT)
    node.props.forEach((prop, i) => {
      if (prop.type === NodeTypes.DIRECTIVE) {
        const { arg, exp } = prop
        if (prop.name === 'bind' && arg?.type === NodeTypes.SIMPLE_EXPRESSION && SAID.has(arg.content) && exp)
          prop.exp = createCompoundExpression([spoken(), '(', exp, ')'])
      } else if (SAID.has(prop.name) && prop.value && differs(prop.value.content))
        node.props[i] = {
          type: NodeTypes.DIRECTIVE,
          name: 'bind',
          arg: createSimpleExpression(prop.name, true, prop.loc),
          exp: createSimpleExpression(`_ctx.$w(${JSON.stringify(prop.value.content)})`, false, prop.loc),
          modifiers: [],
          loc: prop.loc,
        }
    })
  if ('children' in node && Array.isArray(node.children))
    node.children.forEach((child, i) => {
      if (typeof child === 'object' && child.type === NodeTypes.TEXT && differs(child.content))
        (node.children as unknown[])[i] = {
          type: NodeTypes.INTERPOLATION,
          content: createSimpleExpression(JSON.stringify(child.content), false, child.loc),
          loc: child.loc,
        }
    })
}
