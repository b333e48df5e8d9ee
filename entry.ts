import { watchForCutOff } from './src/frame/cutOff';
import 'expo-router/entry';

watchForCutOff();
