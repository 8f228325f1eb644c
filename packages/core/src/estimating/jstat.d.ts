/** The part of jstat that tests compare with; the package ships no types. */
declare module 'jstat' {
  interface StudentT {
    inv(probability: number, degreesOfFreedom: number): number
    cdf(value: number, degreesOfFreedom: number): number
  }
  const jstat: {
    readonly normal: { inv(probability: number, mean: number, deviation: number): number }
    readonly studentt: StudentT
    inv(matrix: readonly (readonly number[])[]): number[][]
  }
  export default jstat
}
