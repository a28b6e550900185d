/**
 * What a page hands to its island. In the page it lies as JSON beside the island, and the island is told its key: written as an
 * attribute it would be twice as long, and take longer to write and to read than the island itself. Plain JSON only.
 */
export class Handed<Props> {
  readonly #props: Props;

  constructor(
    props: Props,
    readonly key = 'handed',
  ) {
    this.#props = props;
  }

  /** As the text of a script element: nothing in it ends that element. */
  get json(): string {
    return JSON.stringify(this.#props).replaceAll('<', '\\u003c');
  }

  /** What was handed: on the server the thing itself, in a browser what its page says. */
  static read<Props>(handed: Handed<Props>): Props {
    if (handed instanceof Handed) return handed.#props;
    const { key } = handed as { readonly key: string };
    return JSON.parse(document.getElementById(key)!.textContent) as Props;
  }
}
