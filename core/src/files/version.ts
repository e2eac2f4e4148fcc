/** Name and version of Lactofer's open file; see docs/file-format.md. */
export const FILE_FORMAT = 'lactofer-log'
export const FILE_VERSION = 3
