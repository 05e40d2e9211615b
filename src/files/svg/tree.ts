import { readElements } from './elements';

/** An element with all that is in it. */
export interface TreeElement {
  tag: string;
  attributes: Readonly<Record<string, string>>;
  children: TreeElement[];
}

/** A drawing as a tree of its elements, without its text. Throws `unreadable` where it is no drawing. */
export function readTree(name: string, text: string): TreeElement {
  const root: TreeElement = { tag: '', attributes: {}, children: [] };
  const open = [root];
  readElements(name, text, {
    open: ({ tag, attributes }) => {
      const element: TreeElement = { tag: tag ?? '', attributes, children: [] };
      open.at(-1)!.children.push(element);
      open.push(element);
    },
    close: () => {
      open.pop();
    },
  });
  return root.children[0]!;
}

/** An element written again. */
export function writeTree({ tag, attributes, children }: TreeElement): string {
  const own = Object.entries(attributes).map(([key, value]) => ` ${key}="${escaped(value)}"`);
  return `<${tag}${own.join('')}>${children.map(writeTree).join('')}</${tag}>`;
}

/** A value as it stands in an attribute. */
export function escaped(value: string): string {
  return value.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
}
