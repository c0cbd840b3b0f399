/** The part of MusicXML 4.0 that is written here: names, order and values as the format has them. */
export const MUSICXML_SCHEMA = `<?xml version="1.0" encoding="UTF-8"?>
<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema">
  <xs:simpleType name="start-stop"><xs:restriction base="xs:token"><xs:enumeration value="start"/><xs:enumeration value="stop"/></xs:restriction></xs:simpleType>
  <xs:simpleType name="number-level"><xs:restriction base="xs:positiveInteger"><xs:maxInclusive value="16"/></xs:restriction></xs:simpleType>
  <xs:simpleType name="positive"><xs:restriction base="xs:decimal"><xs:minExclusive value="0"/></xs:restriction></xs:simpleType>
  <xs:simpleType name="step"><xs:restriction base="xs:string"><xs:enumeration value="A"/><xs:enumeration value="B"/><xs:enumeration value="C"/><xs:enumeration value="D"/><xs:enumeration value="E"/><xs:enumeration value="F"/><xs:enumeration value="G"/></xs:restriction></xs:simpleType>
  <xs:simpleType name="octave"><xs:restriction base="xs:integer"><xs:minInclusive value="0"/><xs:maxInclusive value="9"/></xs:restriction></xs:simpleType>
  <xs:complexType name="empty"/>
  <xs:complexType name="typed"><xs:attribute name="type" type="start-stop" use="required"/><xs:attribute name="number" type="number-level"/></xs:complexType>
  <xs:complexType name="letter"><xs:simpleContent><xs:extension base="xs:string"><xs:attribute name="type" type="start-stop" use="required"/><xs:attribute name="number" type="number-level"/></xs:extension></xs:simpleContent></xs:complexType>
  <xs:complexType name="pitch"><xs:sequence><xs:element name="step" type="step"/><xs:element name="alter" type="xs:decimal" minOccurs="0"/><xs:element name="octave" type="octave"/></xs:sequence></xs:complexType>
  <xs:complexType name="stepped"><xs:simpleContent><xs:extension base="step"><xs:attribute name="text" type="xs:token"/></xs:extension></xs:simpleContent></xs:complexType>
  <xs:complexType name="technical"><xs:choice minOccurs="0" maxOccurs="unbounded">
    <xs:element name="up-bow" type="empty"/><xs:element name="down-bow" type="empty"/><xs:element name="open-string" type="empty"/>
    <xs:element name="harmonic"><xs:complexType><xs:sequence><xs:choice minOccurs="0"><xs:element name="natural" type="empty"/><xs:element name="artificial" type="empty"/></xs:choice><xs:choice minOccurs="0"><xs:element name="base-pitch" type="empty"/><xs:element name="touching-pitch" type="empty"/><xs:element name="sounding-pitch" type="empty"/></xs:choice></xs:sequence></xs:complexType></xs:element>
    <xs:element name="fingering" type="xs:string"/><xs:element name="pluck" type="xs:string"/><xs:element name="golpe" type="empty"/>
    <xs:element name="fret"><xs:simpleType><xs:restriction base="xs:nonNegativeInteger"/></xs:simpleType></xs:element>
    <xs:element name="string"><xs:simpleType><xs:restriction base="xs:positiveInteger"/></xs:simpleType></xs:element>
    <xs:element name="hammer-on" type="letter"/><xs:element name="pull-off" type="letter"/>
    <xs:element name="tap"><xs:complexType><xs:simpleContent><xs:extension base="xs:string"><xs:attribute name="hand"><xs:simpleType><xs:restriction base="xs:token"><xs:enumeration value="left"/><xs:enumeration value="right"/></xs:restriction></xs:simpleType></xs:attribute></xs:extension></xs:simpleContent></xs:complexType></xs:element>
    <xs:element name="other-technical" type="xs:string"/>
  </xs:choice></xs:complexType>
  <xs:complexType name="notations"><xs:choice minOccurs="0" maxOccurs="unbounded">
    <xs:element name="tied"><xs:complexType><xs:attribute name="type" use="required"><xs:simpleType><xs:restriction base="xs:token"><xs:enumeration value="start"/><xs:enumeration value="stop"/><xs:enumeration value="continue"/><xs:enumeration value="let-ring"/></xs:restriction></xs:simpleType></xs:attribute></xs:complexType></xs:element>
    <xs:element name="slur" type="typed"/>
    <xs:element name="slide"><xs:complexType mixed="true"><xs:attribute name="type" type="start-stop" use="required"/><xs:attribute name="number" type="number-level"/><xs:attribute name="line-type" type="xs:token"/></xs:complexType></xs:element>
    <xs:element name="tuplet"><xs:complexType><xs:attribute name="type" type="start-stop" use="required"/><xs:attribute name="number" type="number-level"/><xs:attribute name="bracket" type="xs:token"/><xs:attribute name="show-number" type="xs:token"/></xs:complexType></xs:element>
    <xs:element name="technical" type="technical"/>
    <xs:element name="articulations"><xs:complexType><xs:choice minOccurs="0" maxOccurs="unbounded"><xs:element name="accent" type="empty"/><xs:element name="staccato" type="empty"/></xs:choice></xs:complexType></xs:element>
    <xs:element name="arpeggiate"><xs:complexType><xs:attribute name="direction"><xs:simpleType><xs:restriction base="xs:token"><xs:enumeration value="up"/><xs:enumeration value="down"/></xs:restriction></xs:simpleType></xs:attribute></xs:complexType></xs:element>
  </xs:choice></xs:complexType>
  <xs:complexType name="note"><xs:sequence>
    <xs:element name="chord" type="empty" minOccurs="0"/>
    <xs:choice>
      <xs:element name="pitch" type="pitch"/>
      <xs:element name="unpitched"><xs:complexType><xs:sequence><xs:element name="display-step" type="step"/><xs:element name="display-octave" type="octave"/></xs:sequence></xs:complexType></xs:element>
      <xs:element name="rest"><xs:complexType><xs:attribute name="measure" type="xs:token"/></xs:complexType></xs:element>
    </xs:choice>
    <xs:element name="duration" type="positive"/>
    <xs:element name="tie" minOccurs="0" maxOccurs="2"><xs:complexType><xs:attribute name="type" type="start-stop" use="required"/></xs:complexType></xs:element>
    <xs:element name="voice" type="xs:string" minOccurs="0"/>
    <xs:element name="type" minOccurs="0"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="64th"/><xs:enumeration value="32nd"/><xs:enumeration value="16th"/><xs:enumeration value="eighth"/><xs:enumeration value="quarter"/><xs:enumeration value="half"/><xs:enumeration value="whole"/></xs:restriction></xs:simpleType></xs:element>
    <xs:element name="dot" type="empty" minOccurs="0" maxOccurs="unbounded"/>
    <xs:element name="accidental" minOccurs="0"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="sharp"/><xs:enumeration value="natural"/><xs:enumeration value="flat"/><xs:enumeration value="double-sharp"/><xs:enumeration value="flat-flat"/></xs:restriction></xs:simpleType></xs:element>
    <xs:element name="time-modification" minOccurs="0"><xs:complexType><xs:sequence><xs:element name="actual-notes" type="xs:nonNegativeInteger"/><xs:element name="normal-notes" type="xs:nonNegativeInteger"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="stem" minOccurs="0"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="down"/><xs:enumeration value="up"/><xs:enumeration value="none"/></xs:restriction></xs:simpleType></xs:element>
    <xs:element name="notehead" minOccurs="0"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="x"/></xs:restriction></xs:simpleType></xs:element>
    <xs:element name="staff" type="xs:positiveInteger" minOccurs="0"/>
    <xs:element name="beam" minOccurs="0" maxOccurs="8"><xs:complexType><xs:simpleContent><xs:restriction base="beam"><xs:enumeration value="begin"/><xs:enumeration value="continue"/><xs:enumeration value="end"/><xs:enumeration value="forward hook"/><xs:enumeration value="backward hook"/></xs:restriction></xs:simpleContent></xs:complexType></xs:element>
    <xs:element name="notations" type="notations" minOccurs="0" maxOccurs="unbounded"/>
    <xs:element name="lyric" minOccurs="0" maxOccurs="unbounded"><xs:complexType><xs:sequence><xs:element name="syllabic"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="single"/><xs:enumeration value="begin"/><xs:enumeration value="middle"/><xs:enumeration value="end"/></xs:restriction></xs:simpleType></xs:element><xs:element name="text" type="xs:string"/></xs:sequence><xs:attribute name="number" type="xs:NMTOKEN"/></xs:complexType></xs:element>
    <xs:element name="play" minOccurs="0"><xs:complexType><xs:sequence><xs:element name="mute" maxOccurs="unbounded"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="palm"/></xs:restriction></xs:simpleType></xs:element></xs:sequence></xs:complexType></xs:element>
  </xs:sequence><xs:attribute name="print-object" type="xs:token"/><xs:attribute name="release" type="xs:decimal"/></xs:complexType>
  <xs:complexType name="beam"><xs:simpleContent><xs:extension base="xs:string"><xs:attribute name="number" type="xs:positiveInteger"/></xs:extension></xs:simpleContent></xs:complexType>
  <xs:complexType name="attributes"><xs:sequence>
    <xs:element name="divisions" type="positive" minOccurs="0"/>
    <xs:element name="key" minOccurs="0"><xs:complexType><xs:sequence><xs:element name="fifths" type="xs:integer"/><xs:element name="mode" type="xs:string" minOccurs="0"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="time" minOccurs="0"><xs:complexType><xs:sequence><xs:element name="beats" type="xs:positiveInteger"/><xs:element name="beat-type" type="xs:positiveInteger"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="staves" type="xs:nonNegativeInteger" minOccurs="0"/>
    <xs:element name="clef" minOccurs="0" maxOccurs="unbounded"><xs:complexType><xs:sequence><xs:element name="sign" type="xs:string"/><xs:element name="line" type="xs:integer" minOccurs="0"/><xs:element name="clef-octave-change" type="xs:integer" minOccurs="0"/></xs:sequence><xs:attribute name="number" type="xs:positiveInteger"/></xs:complexType></xs:element>
    <xs:element name="staff-details" minOccurs="0"><xs:complexType><xs:sequence>
      <xs:element name="staff-lines" type="xs:nonNegativeInteger" minOccurs="0"/>
      <xs:element name="staff-tuning" maxOccurs="unbounded"><xs:complexType><xs:sequence><xs:element name="tuning-step" type="step"/><xs:element name="tuning-alter" type="xs:decimal" minOccurs="0"/><xs:element name="tuning-octave" type="octave"/></xs:sequence><xs:attribute name="line" type="xs:integer" use="required"/></xs:complexType></xs:element>
      <xs:element name="capo" type="xs:nonNegativeInteger" minOccurs="0"/>
    </xs:sequence><xs:attribute name="number" type="xs:positiveInteger"/></xs:complexType></xs:element>
  </xs:sequence></xs:complexType>
  <xs:complexType name="direction"><xs:sequence>
    <xs:element name="direction-type"><xs:complexType><xs:choice>
      <xs:element name="rehearsal" type="xs:string"/><xs:element name="words" type="xs:string"/>
      <xs:element name="dynamics"><xs:complexType><xs:choice><xs:element name="pp" type="empty"/><xs:element name="p" type="empty"/><xs:element name="mp" type="empty"/><xs:element name="mf" type="empty"/><xs:element name="f" type="empty"/><xs:element name="ff" type="empty"/></xs:choice></xs:complexType></xs:element>
      <xs:element name="metronome"><xs:complexType><xs:sequence><xs:element name="beat-unit" type="xs:string"/><xs:element name="per-minute" type="xs:string"/></xs:sequence></xs:complexType></xs:element>
    </xs:choice></xs:complexType></xs:element>
    <xs:element name="offset" type="xs:decimal" minOccurs="0"/>
    <xs:element name="sound" minOccurs="0"><xs:complexType><xs:attribute name="tempo" type="xs:decimal"/></xs:complexType></xs:element>
  </xs:sequence><xs:attribute name="placement" type="xs:token"/></xs:complexType>
  <xs:complexType name="harmony"><xs:sequence>
    <xs:element name="root"><xs:complexType><xs:sequence><xs:element name="root-step" type="stepped"/><xs:element name="root-alter" type="xs:decimal" minOccurs="0"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="kind"><xs:complexType><xs:simpleContent><xs:extension base="xs:string"><xs:attribute name="text" type="xs:token"/></xs:extension></xs:simpleContent></xs:complexType></xs:element>
    <xs:element name="bass" minOccurs="0"><xs:complexType><xs:sequence><xs:element name="bass-step" type="stepped"/><xs:element name="bass-alter" type="xs:decimal" minOccurs="0"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="degree" minOccurs="0" maxOccurs="unbounded"><xs:complexType><xs:sequence><xs:element name="degree-value" type="xs:positiveInteger"/><xs:element name="degree-alter" type="xs:decimal"/><xs:element name="degree-type"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="add"/><xs:enumeration value="subtract"/></xs:restriction></xs:simpleType></xs:element></xs:sequence></xs:complexType></xs:element>
    <xs:element name="frame" minOccurs="0"><xs:complexType><xs:sequence>
      <xs:element name="frame-strings" type="xs:positiveInteger"/><xs:element name="frame-frets" type="xs:positiveInteger"/><xs:element name="first-fret" type="xs:positiveInteger" minOccurs="0"/>
      <xs:element name="frame-note" maxOccurs="unbounded"><xs:complexType><xs:sequence><xs:element name="string" type="xs:positiveInteger"/><xs:element name="fret" type="xs:nonNegativeInteger"/><xs:element name="fingering" type="xs:string" minOccurs="0"/><xs:element name="barre" minOccurs="0"><xs:complexType><xs:attribute name="type" type="start-stop" use="required"/></xs:complexType></xs:element></xs:sequence></xs:complexType></xs:element>
    </xs:sequence></xs:complexType></xs:element>
    <xs:element name="offset" type="xs:decimal" minOccurs="0"/>
  </xs:sequence></xs:complexType>
  <xs:complexType name="barline"><xs:sequence>
    <xs:element name="bar-style" minOccurs="0"><xs:simpleType><xs:restriction base="xs:string"><xs:enumeration value="light-heavy"/><xs:enumeration value="heavy-light"/></xs:restriction></xs:simpleType></xs:element>
    <xs:element name="ending" minOccurs="0"><xs:complexType><xs:attribute name="number" use="required"><xs:simpleType><xs:restriction base="xs:token"><xs:pattern value="([1-9][0-9]*(, ?[1-9][0-9]*)*)"/></xs:restriction></xs:simpleType></xs:attribute><xs:attribute name="type" use="required"><xs:simpleType><xs:restriction base="xs:token"><xs:enumeration value="start"/><xs:enumeration value="stop"/><xs:enumeration value="discontinue"/></xs:restriction></xs:simpleType></xs:attribute></xs:complexType></xs:element>
    <xs:element name="repeat" minOccurs="0"><xs:complexType><xs:attribute name="direction" use="required"><xs:simpleType><xs:restriction base="xs:token"><xs:enumeration value="backward"/><xs:enumeration value="forward"/></xs:restriction></xs:simpleType></xs:attribute><xs:attribute name="times" type="xs:nonNegativeInteger"/></xs:complexType></xs:element>
  </xs:sequence><xs:attribute name="location" type="xs:token"/></xs:complexType>
  <xs:element name="score-partwise"><xs:complexType><xs:sequence>
    <xs:element name="work"><xs:complexType><xs:sequence><xs:element name="work-title" type="xs:string"/></xs:sequence></xs:complexType></xs:element>
    <xs:element name="identification"><xs:complexType><xs:sequence><xs:element name="encoding"><xs:complexType><xs:sequence><xs:element name="software" type="xs:string"/></xs:sequence></xs:complexType></xs:element></xs:sequence></xs:complexType></xs:element>
    <xs:element name="part-list"><xs:complexType><xs:sequence><xs:element name="score-part"><xs:complexType><xs:sequence>
      <xs:element name="part-name" type="xs:string"/>
      <xs:element name="score-instrument"><xs:complexType><xs:sequence><xs:element name="instrument-name" type="xs:string"/></xs:sequence><xs:attribute name="id" type="xs:ID" use="required"/></xs:complexType></xs:element>
      <xs:element name="midi-instrument"><xs:complexType><xs:sequence><xs:element name="midi-channel" type="xs:positiveInteger"/><xs:element name="midi-program" type="xs:positiveInteger"/></xs:sequence><xs:attribute name="id" type="xs:IDREF" use="required"/></xs:complexType></xs:element>
    </xs:sequence><xs:attribute name="id" type="xs:ID" use="required"/></xs:complexType></xs:element></xs:sequence></xs:complexType></xs:element>
    <xs:element name="part"><xs:complexType><xs:sequence><xs:element name="measure" maxOccurs="unbounded"><xs:complexType><xs:choice minOccurs="0" maxOccurs="unbounded">
      <xs:element name="note" type="note"/><xs:element name="backup"><xs:complexType><xs:sequence><xs:element name="duration" type="positive"/></xs:sequence></xs:complexType></xs:element>
      <xs:element name="attributes" type="attributes"/><xs:element name="direction" type="direction"/><xs:element name="harmony" type="harmony"/><xs:element name="barline" type="barline"/>
    </xs:choice><xs:attribute name="number" type="xs:token" use="required"/></xs:complexType></xs:element></xs:sequence><xs:attribute name="id" type="xs:IDREF" use="required"/></xs:complexType></xs:element>
  </xs:sequence><xs:attribute name="version" type="xs:token"/></xs:complexType></xs:element>
</xs:schema>
`;
