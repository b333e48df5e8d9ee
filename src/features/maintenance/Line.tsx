import { View } from 'react-native';
import { Words } from '@/ui/Words';

/** A line of a page that is printed: what it is about, and what is said of it. */
export function Line({ title, text }: { title: string; text: string }) {
  return (
    <View style={{ flexDirection: 'row', gap: 12, paddingVertical: 5 }}>
      <Words as="strong" style={{ width: 112, flexShrink: 0 }}>
        {title}
      </Words>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Words as="body">{text}</Words>
      </View>
    </View>
  );
}
