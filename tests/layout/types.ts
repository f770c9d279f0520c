import type { DocumentSource } from 'pimbot';

export type ReferenceSource = NonNullable<DocumentSource['reference']>;
export type { ScreenSize } from 'pimbot';
