// Stands in for the router's own head, which wraps the app and is used by none of its pages.
export function Head() {
  return null;
}

Head.Provider = ({ children }) => children;
