/** What is asked of the record where an address says nothing. */
export const USUAL = { view: 'rates', sort: 'method', harm: 'lifted', of: 'melt' } as const;
