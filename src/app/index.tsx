import { Text } from 'react-native';
export default function Home() { return <Text>hello</Text>; }
