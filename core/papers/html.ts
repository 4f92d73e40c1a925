/** A piece of HTML that needs no escaping any more. */
export class Html {
  constructor(readonly text: string) {}
}

type Plain = string | number
type Piece = Html | Plain | null | false | undefined | readonly Piece[]

const ENTITIES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }

const escaped = (text: Plain): string => String(text).replace(/[&<>"']/g, (c) => ENTITIES[c])

function written(piece: Piece): string {
  if (piece instanceof Html) return piece.text
  if (typeof piece === 'string' || typeof piece === 'number') return escaped(piece)
  return piece ? piece.map(written).join('') : ''
}

/** HTML with what is put into it escaped; pieces of HTML and lists of them stay as they are, and nothing writes nothing. */
export const html = (strings: TemplateStringsArray, ...pieces: Piece[]): Html =>
  new Html(strings.reduce((out, s, i) => out + s + (i < pieces.length ? written(pieces[i]) : ''), ''))

/** What all papers look like: black on white, large enough to read in a cellar, nothing from elsewhere. */
const STYLE = `
@page { margin: 12mm }
* { box-sizing: border-box }
body { font: 11pt/1.35 "Source Sans 3", "Segoe UI", Helvetica, Arial, sans-serif; color: #1d1a16; background: #fff; margin: 0 auto; padding: 8mm; max-width: 210mm }
@media print { body { padding: 0; max-width: none } }
h1 { font-size: 17pt; line-height: 1.15; margin: 0 0 1mm } h2 { font-size: 12.5pt; margin: 0 0 1mm; padding-top: 4mm; border-bottom: 0.4mm solid #1d1a16; break-after: avoid }
h3 { font-size: 11pt; margin: 2mm 0 0.5mm; break-after: avoid } p { margin: 0.6mm 0 } ul, ol { margin: 0.5mm 0; padding-left: 5mm }
table { border-collapse: collapse; width: 100% } th, td { text-align: left; vertical-align: top; padding: 0.5mm 3mm 0.5mm 0; border-bottom: 0.2mm solid #b9b0a2 }
th { font-weight: 600 } .n { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap } .big { font-size: 14pt; font-weight: 700 }
.soft { color: #5a5247 } .warn { border-left: 1.2mm solid #a2381f; padding-left: 2mm } .columns { columns: 2; column-gap: 8mm } section { break-inside: avoid-column }
img { max-height: 42mm; max-width: 100% } .marked { position: relative; display: inline-block; line-height: 0 } .mark { position: absolute; transform: translate(-50%, -50%); width: 7mm; height: 7mm; border: 0.6mm solid #a2381f; border-radius: 50%; background: #fffd; color: #a2381f; text-align: center; line-height: 5.8mm; font-weight: 700; print-color-adjust: exact } tr { break-inside: avoid } svg { max-width: 100% } .assumed { font-style: italic } .inputs { columns: 2; column-gap: 6mm; font-size: 8pt; line-height: 1.25; overflow-wrap: anywhere } .inputs p { margin: 0; padding-left: 3mm; text-indent: -3mm }
`

/** A whole document in one file: no script, and nothing fetched from elsewhere. */
export const page = (title: string, lang: string, body: Html): string =>
  html`<!doctype html>
    <html lang="${lang}">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          http-equiv="Content-Security-Policy"
          content="default-src 'none'; img-src data:; style-src 'unsafe-inline'"
        />
        <title>${title}</title>
        <style>
          ${new Html(STYLE)}
        </style>
      </head>
      <body>
        ${body}
      </body>
    </html> `.text
