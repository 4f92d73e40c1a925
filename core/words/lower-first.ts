/**
 * A title as it reads within a sentence; units and names further on keep their capitals.
 * @example lowerFirst('Return below 50.0 °C') // "return below 50.0 °C"
 */
export const lowerFirst = (text: string): string => text.slice(0, 1).toLowerCase() + text.slice(1)
