import type { Study } from '../core/study/study'

/**
 * Words that are said no more on screen, on paper or by the command line: the handbook's list has what is said instead. The terms
 * themselves are in core/words, where some of these stand as what people may search for.
 */
export const NEVER_SAY =
  /\b(?:(?:the|a|of|no|in|its|own|on) stores?|Stores?(?! (?:at|hot)\b)|(?<!(?:[Bb]oiler|[Rr]ecirculation) )[Ll]oops?|[Hh]ot runs?|[Ww]indows?|[Bb]ench sums?|[Tt]epid|[Hh]abits?|[Mm]akers?|[Tt]he fires?|fire’s|[Dd]ead runs?|[Rr]uns? off|[Tt]enfold|the plant|not looked|[Nn]obody|[Ss]omebody|[Ww]hoever|stands out|line of water|[Ss]tations?|(?:draws?|comes?|came) too cool|papers|handy|the licensed|laid anew|(?:first|second) draws|(?:calls|lights) below|gone through|as it came|[Rr]eckon(?:s|ed)?|heats as it runs|[Kk]ept in this browser|[Gg]ives? up|given up|lets? go|hysteresis|[Pp]ays? back|[Bb]ought|[Cc]ool draws|[Ii]n its place)\b/

/** Units of the other system, where no other system is offered beside them. */
export const METRIC_UNITS = /\d\s?(?:°C|K|L|m|mm|m²|m³|bar|mbar|kg|L\/min|L\/h|W\/K|W\/m|kJ)(?![\w·/°²³(])/
export const US_UNITS = /\d\s?(?:°F|gal|gpm|psi|ft|ft²|ft³|lb|therms?|k?Btu(?:\/h)?|gpg)(?![\w·/°²³(])/

/** A text without what was typed into the study. */
export const ours = (study: Study, text: string) => {
  const typed: string[] = []
  const walk = (value: unknown): void => {
    if (typeof value === 'string') typed.push(value)
    else if (value && typeof value === 'object') Object.values(value).forEach(walk)
  }
  walk(study)
  return typed
    .filter((s) => s.length > 2)
    .sort((a, b) => b.length - a.length)
    .reduce((t, name) => t.replaceAll(name, '…'), text)
}
