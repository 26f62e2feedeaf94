import type { Options } from '@vitejs/plugin-vue'

/** Kinds of node of a template. */
const [ELEMENT, TEXT] = [1, 2]
/** Elements at whose edges white space shows nothing. */
const BLOCKS = /^(p|li|div|td|th|h[1-6]|dd|dt|section|article|figcaption|caption|summary|option)$/

/**
 * How templates are compiled, for the pages and for their tests: white space between elements means
 * what it means in HTML, and a line broken in the source is one space on the page.
 */
export const templates: NonNullable<Options['template']> = {
  compilerOptions: {
    whitespace: 'preserve',
    nodeTransforms: [
      (node, { parent }) => {
        if (node.type !== TEXT || !('content' in node) || typeof node.content !== 'string') return
        node.content = node.content.replace(/[ \t\r\n]+/g, ' ')
        if (parent?.type !== ELEMENT || !('tag' in parent) || !BLOCKS.test(parent.tag)) return
        if (parent.children[0] === node) node.content = node.content.trimStart()
        if (parent.children.at(-1) === node) node.content = node.content.trimEnd()
      },
    ],
  },
}
