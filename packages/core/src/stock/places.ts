/** What paper is kept in, as part of a larger pattern; it has no groups. */
export const CONTAINER_PATTERN = '(?:box|drawer|folder|tray|envelope|bag|file|shelf|case|binder|basket)';
