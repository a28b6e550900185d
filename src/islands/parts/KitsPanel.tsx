import { day } from '~/ui/dates';
import css from './parts.module.css';

/** A whole board's job that has a kit. */
export interface KitLine {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly at_ms: number;
  readonly boardId: string;
  readonly board: string;
  readonly places: number;
}

/** The kits of whole boards' jobs: each is a list to take out of the drawers, and what is short of it. */
export function KitsPanel({ kits }: { readonly kits: readonly KitLine[] }) {
  return (
    <section aria-label="Kits">
      {kits.length === 0 ? (
        <p>
          No whole board’s job is kept yet. Open a board, choose its parts under “Whole board”, and keep the
          order: its kit is then here.
        </p>
      ) : (
        <ul className={css['lines']}>
          {kits.map(({ id, name, by, at_ms, boardId, board, places }) => (
            <li key={id} className={css['order']}>
              <a href={`/boards/${boardId}/recaps/${id}/kit`}>
                <strong>{board}</strong>: {name}
              </a>{' '}
              <span className="quiet">
                {places} {places === 1 ? 'place' : 'places'}, {by}, {day(at_ms)}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
