// The app works on data in the browser; there is nothing to draw on the server.
export const ssr = false;
