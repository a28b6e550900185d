/** What a person may do: a lead signs and keeps the list of people, a technician works, a viewer reads. */
export const ROLES = ['technician', 'lead', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** Characters. Long enough that guessing through a limited door takes longer than anyone works here. */
export const SHORTEST_PASSPHRASE = 10;
