/** A made-up duo: the oboe forgets the staccato; a sign holds in measure 2; a tempo comes from nowhere in 3. */
const note = (step: string, octave: number, extra = '', alter = '') =>
  `<note><pitch><step>${step}</step>${alter}<octave>${octave}</octave></pitch><duration>1</duration>` +
  `<voice>1</voice><type>quarter</type>${extra}</note>`
const dot = '<notations><articulations><staccato/></articulations></notations>'
const sharp = '<alter>1</alter>'
const sign = '<accidental>sharp</accidental>'
const attributes =
  '<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>' +
  '<clef><sign>G</sign><line>2</line></clef></attributes>'
const words = '<direction placement="above"><direction-type><words>a tempo</words></direction-type></direction>'

function part(id: string, mark: string, first: boolean) {
  return `<part id="${id}">
<measure number="1">${attributes}${note('C', 5, mark)}${note('D', 5, mark)}${note('E', 5, mark)}${note('F', 5, mark)}</measure>
<measure number="2">${note('F', 5, sign, sharp)}${note('G', 5)}${note('F', 5, '', sharp)}${note('A', 5)}</measure>
<measure number="3">${first ? words : ''}${note('G', 5)}${note('E', 5)}${note('D', 5)}${note('C', 5)}</measure>
</part>`
}

export const duo = `<?xml version="1.0" encoding="UTF-8"?>
<score-partwise version="4.0"><work><work-title>Duo for the Yard</work-title></work>
<part-list><score-part id="P1"><part-name>Flute</part-name></score-part>
<score-part id="P2"><part-name>Oboe</part-name></score-part></part-list>
${part('P1', dot, true)}${part('P2', '', false)}</score-partwise>`
