import { resolved, type Archive } from './zip'
import { childrenOf, type XmlElement } from './xml'

/** A part of the package with what it refers to. */
export interface PackagePart {
  readonly name: string
  readonly root: XmlElement
  readonly relations: readonly Relation[]
}
interface Relation {
  readonly id: string
  /** The last word of its type: "slideLayout", "image". */
  readonly type: string
  /** A name in the archive; null for what lies elsewhere. */
  readonly target: string | null
}

/** Reads a part and its relations (ECMA-376 part 2); null where it is missing or no XML. Each is read once. */
export class Package {
  readonly #read = new Map<string, PackagePart | null>()
  constructor(readonly archive: Archive) {}

  part(name: string | null | undefined): PackagePart | null {
    if (!name) return null
    const before = this.#read.get(name)
    if (before !== undefined) return before
    const root = this.archive.xml(name)
    const part = root && { name, root, relations: this.#relationsOf(name) }
    this.#read.set(name, part)
    return part
  }

  #relationsOf(name: string): Relation[] {
    const at = name.lastIndexOf('/') + 1
    const relations = this.archive.xml(`${name.slice(0, at)}_rels/${name.slice(at)}.rels`)
    return childrenOf(relations, 'Relationship').map(({ attributes: { Id, Type, Target, TargetMode } }) => ({
      id: Id ?? '',
      type: (Type ?? '').split('/').at(-1)!,
      target: TargetMode === 'External' ? null : resolved(name, Target ?? ''),
    }))
  }

  /** The part of this sort that a part refers to. */
  related(part: PackagePart | null, type: string): PackagePart | null {
    return this.part(part?.relations.find(relation => relation.type === type)?.target)
  }
}

/** Undefined: no such relation. Null: it leads out of the file. */
export const targetOf = (part: PackagePart, id: string | undefined): string | null | undefined =>
  part.relations.find(relation => relation.id === id)?.target
