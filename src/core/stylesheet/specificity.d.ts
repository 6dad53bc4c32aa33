/** The package has types, but its `exports` do not lead to them. */
declare module '@bramus/specificity' {
  export default class Specificity {
    static calculate(selector: string): Specificity[];
    toArray(): [ids: number, classes: number, types: number];
  }
}
