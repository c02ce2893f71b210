/** Media types of the files that are written. */
export const MEDIA_TYPES = {
  pdf: 'application/pdf',
  html: 'text/html; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv; charset=utf-8',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
} as const;
