/** Whether this is the long run (`./verify --long`): many more cases of what is tried at random. */
export const LONG = process.env['UPFIT_LONG'] === '1';
