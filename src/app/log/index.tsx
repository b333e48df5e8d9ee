import { Redirect } from 'expo-router';

export default function LogAnything() {
  return <Redirect href="/log/test" />;
}
