import { bundleAnswer } from '~/server/bundle/answer';

/** One board's whole record as a bundle. */
export const GET = bundleAnswer(({ params }) => params['id']!);
