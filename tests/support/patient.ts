// A test of the interface may find a machine that is busy with something else.
jest.setTimeout(240_000);
