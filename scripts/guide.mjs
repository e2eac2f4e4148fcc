import { marked } from 'marked'

/**
 * The guide for makers as a module: its text as HTML, its pictures as files that ship with the application. A plugin
 * for the bundler.
 * @returns {import('vite').Plugin}
 */
export const guide = () => ({
  name: 'guide',
  enforce: 'pre',
  transform(text, id) {
    if (!id.endsWith('/docs/guide.md')) return null
    const html = marked.parse(text, { async: false })
    const pictures = [...new Set([...html.matchAll(/src="(screenshots\/[\w-]+\.png)"/g)].map(([, path]) => path))]
    const imports = pictures.map((path, index) => `import p${index} from './${path}?url'`)
    const put = pictures.map(
      (path, index) => `.replaceAll(${JSON.stringify(`src="${path}"`)}, 'src="' + p${index} + '"')`,
    )
    return { code: `${imports.join('\n')}\nexport default ${JSON.stringify(html)}${put.join('')}`, map: null }
  },
})
