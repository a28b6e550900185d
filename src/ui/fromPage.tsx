import { useState, type ComponentType } from 'react';
import { Handed } from './handed';

/** A view as an island: its props are handed over by its page. */
export const fromPage = <Props extends object>(View: ComponentType<Props>) =>
  function Island({ from }: { readonly from: Handed<Props> }) {
    // Once: what the page says is where the view starts from.
    const [props] = useState(() => Handed.read(from));
    return <View {...props} />;
  };
