declare module 'jstat' {
  export const jStat: {
    normal: {
      /** Quantile of the normal distribution. @param p probability, 0 to 1 */
      inv: (p: number, mean: number, sd: number) => number
    }
    studentt: {
      /** Quantile of Student's t. @param p probability, 0 to 1; @param dof degrees of freedom, above 0 */
      inv: (p: number, dof: number) => number
    }
  }
  const all: { jStat: typeof jStat }
  export default all
}
