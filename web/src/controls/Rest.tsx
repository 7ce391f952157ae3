/** Where the keyboard rests once the field beside it was left. */
export const Rest = () => <span tabIndex={-1} data-rest className="rest" />
