import { Button, PaperProvider, Text } from 'react-native-paper';

export default function Empty() {
  return (
    <PaperProvider>
      <Text>empty</Text>
      <Button>nothing</Button>
    </PaperProvider>
  );
}
