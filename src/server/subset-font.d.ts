declare module 'subset-font' {
  /** Throws for what is no typeface. */
  export default function subsetFont(
    font: Buffer,
    text: string,
    options?: { readonly targetFormat?: 'woff2' | 'woff' | 'truetype' }
  ): Promise<Buffer>;
}
