declare module 'jstat' {
  export const jStat: {
    studentt: {
      /** Quantile of Student's t. @param p probability, 0 to 1; @param dof degrees of freedom, above 0 */
      inv: (p: number, dof: number) => number
    }
  }
  const all: { jStat: typeof jStat }
  export default all
}
