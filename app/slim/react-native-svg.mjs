// What our drawings use of react-native-svg; bundled from this list the rest (filters, markers, patterns …) is shaken
// off. A name that is missing here fails at the first page, so the journeys find it.
export {
  default,
  Circle,
  ClipPath,
  Defs,
  Ellipse,
  G,
  Line,
  LinearGradient,
  Path,
  Polygon,
  Polyline,
  Rect,
  Stop,
  SvgXml,
  Text,
} from 'react-native-svg';
