/** Set by the server on everything that it answers: which build it runs. */
export const BUILD_HEADER = 'x-nestling-build'
