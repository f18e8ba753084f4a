import type { Content, TableCell } from 'pdfmake/interfaces'

/** A place in the tree that is read out, and what of the paper belongs to it. */
export interface Tag {
  readonly element: Element
  readonly role: Role
  /** The head of a table is drawn again on each page it goes on to, and read on the first. */
  readonly isDrawnAgain: boolean
  page?: unknown
}
/** What it is written with, too: its type leaves that out. */
type Element = PDFKit.PDFStructureElement & { readonly dictionary: { readonly data: { A?: object } } }
type Role = 'Document' | 'H1' | 'H2' | 'P' | 'Figure' | 'Table' | 'TR' | 'TH' | 'TD'

/** What a piece of a document may say of itself to whoever has it read out. */
export interface ReadOut {
  /** A heading; a text is a paragraph otherwise. */
  readonly role?: 'H1' | 'H2'
  /** The text in the order it is read, where its pieces stand in another. */
  readonly said?: string
  /** What a picture shows. */
  readonly alt?: string
}

/** A node of a document as it is walked here; its tag goes along to where it is drawn. */
interface Node extends ReadOut {
  text?: string | readonly (string | object)[]
  stack?: Content[]
  columns?: Content[]
  table?: { readonly headerRows?: number; readonly body: readonly TableCell[][] }
  svg?: string
  image?: string
  tag?: Tag
}

/**
 * Makes the tree of a document in the order it is read (ISO 32000-1, 14.7 and 14.8; ISO 14289-1), and gives each text and
 * picture the place it has there. A table's first row and first column name its others. What says nothing is left out.
 */
export function tagContent(
  content: readonly Content[],
  document: PDFKit.PDFDocument,
  inOrder: <T>(placed: readonly T[]) => T[],
): void {
  const make = (role: Role, parent: Tag | undefined, options: object = {}, isDrawnAgain = false): Tag => {
    const element = document.struct(role, options) as Element
    if (parent) parent.element.add(element)
    else document.addStructure(element)
    return { element, role, isDrawnAgain }
  }
  const root = make('Document', undefined)
  for (const node of content) tagNode(node as Node, root)

  function tagNode(node: Node, parent: Tag): void {
    if (node.stack) for (const child of node.stack) tagNode(child as Node, parent)
    else if (node.columns) for (const child of inOrder(node.columns)) tagNode(child as Node, parent)
    else if (node.table) tagTable(node.table, parent)
    else if (node.svg !== undefined || node.image !== undefined)
      node.tag = make('Figure', parent, { alt: node.alt })
    else if (node.text !== undefined && node.text.length > 0)
      tagText(node, make(node.role ?? 'P', parent, { actual: node.said }))
  }

  function tagTable({ headerRows = 0, body }: NonNullable<Node['table']>, parent: Tag): void {
    const table = make('Table', parent)
    for (const [at, cells] of body.entries()) {
      const row = make('TR', table)
      for (const [column, cell] of (inOrder(cells) as Node[]).entries()) {
        const isAbove = at < headerRows
        const scope =
          cell.text?.length === 0 ? undefined : isAbove ? 'Column' : column === 0 ? 'Row' : undefined
        tagText(cell, make(scope ? 'TH' : 'TD', row, { actual: cell.said, scope }, isAbove))
      }
    }
  }
}

/** The typesetter takes what stands beside a piece of text along to where it draws it. */
function tagText(node: Node, tag: Tag): void {
  const pieces = typeof node.text === 'string' ? [{ text: node.text }] : (node.text ?? [])
  node.text = pieces.map((piece) => ({ ...(typeof piece === 'string' ? { text: piece } : piece), tag }))
}
