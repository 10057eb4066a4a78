declare module 'jsonld' {
  interface Term {
    readonly termType: 'NamedNode' | 'BlankNode' | 'Literal'
    readonly value: string
  }
  interface Quad {
    readonly subject: Term
    readonly predicate: Term
    readonly object: Term
  }
  interface Options {
    readonly safe?: boolean
    readonly documentLoader?: (url: string) => Promise<object>
  }
  const jsonld: { toRDF(document: object, options: Options): Promise<Quad[]> }
  export default jsonld
}
