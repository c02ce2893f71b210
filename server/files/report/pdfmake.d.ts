/** What is used of the library that lays pages out; it ships no types. */
declare module 'pdfmake' {
  interface PdfMake {
    setFonts(fonts: Record<string, Record<string, string>>): void;
    setUrlAccessPolicy(allows: (url: string) => boolean): void;
    setLocalAccessPolicy(allows: (file: string) => boolean): void;
    setProgressCallback(told: (share: number) => void): void;
    setTableLayouts(layouts: Record<string, unknown>): void;
    createPdf(definition: object): { getBuffer(): Promise<Buffer> };
  }
  const pdfmake: PdfMake;
  export default pdfmake;
}
