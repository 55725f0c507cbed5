/** The path under which the built files are served, with a slash at its end: '/' but for a copy in a folder of a host. */
export const HOME = import.meta.env.BASE_URL;
