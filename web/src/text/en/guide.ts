/** Words of the guide. */
export const guideWords = {
  guide: {
    title: 'Words and drawings',
    why: 'What the terms mean here, and how the drawings are read. All of it is on this device.',
    search: 'Look for a word',
    none: 'No such word here.',
    read: 'How to read it',
    termsTitle: 'Terms',
    print: 'Print',
    drawings: {
      ribbon: {
        name: 'The ribbon',
        first: 'The line is the pitch: up is sharp, down is flat; the dashed lines are your window.',
        second: 'The band is the loudness: the thicker, the louder. Pale or dashed is what was planned.',
        third: 'Dots instead of a full band: breath in the tone. Another colour with a number: another partial.',
        fourth: 'A bracket is the place that the sentence is about. Hatched: sound that the device lost.',
      },
      rail: {
        name: 'The rail at the left',
        first: 'One mark for each written note of your horn, the highest on top.',
        second:
          'Full: measured lately, in tune and steady. Half: measured lately, but not that yet. Empty: not measured lately.',
        third: 'The second row are the half steps between them.',
        fourth: 'A small red sign: an uneven join to the note above.',
      },
      map: {
        name: 'The map of the horn',
        first: 'Each row is a note, three bars in it: soft, medium, loud.',
        second: 'To the right is more (sharper, slower, brighter); the upright line is where it should be.',
        third: 'The fine line at a bar is how sure it is: short is sure.',
        fourth: 'Point at a note to see it large, press it to open it.',
      },
      lattice: {
        name: 'The table of overtones',
        first: 'Each row is a fingered low note, each column a partial that is blown on it.',
        second:
          'The bar says how often it speaks: filled by your own tries, an outline where it is only what is usual.',
        third: 'The small number is how far it lies from the tempered pitch, in cents.',
        fourth: 'What is framed is next for you.',
      },
    },
    meaning: 'What this means',
    stagesTitle: 'The stages of a practice',
    stageLink: 'What this stage is for',
    stages: {
      lowEnd:
        'The lowest notes are woken first, while lip and ears are fresh: they show at once whether reed, air and pads work. Let the air run before the tone and go on after it; the jaw stays low and still. When a note does not come after a few tries, take the note above and slur down.',
      longTones:
        'One tone at a time, to hear what it does: where it lies, whether it wanders, how it begins and ends. Set the mouth, breathe low, and let the air move before the tone; the end is part of it. A tone that shakes at its end was too long: shorter and whole is better.',
      swells:
        'Loudness moves, all else stays: pitch and colour are the same at p as at f. Grow by more air and not by a looser lip; fade by less air and not by a tighter one. When the pitch goes with the loudness, make the swell smaller until it does not.',
      descents:
        'Down the horn in one breath, so that the low notes get the air of the high ones. The fingers move; the air does not notice. When a note breaks, stop there, take the last one that held, and slur down once more.',
      lowRegister:
        'Soft, low, over the break, as a subtone: where the horn gives way first. Soft is slow air with its support, never no air; keep the voicing of the note that sounds well. When a tone is about to jump, give a little more air, not more lip.',
      overtones:
        'A low fingering, a high note: ear and throat choose, the fingers stay. Hear or sing the note before you blow it, then let it come. The lip rests after each try; eight in a row are enough, and whatever hurts is over for today.',
      altissimo:
        'It grows from overtones that are sure, never from pressing. A bend first, then one note with its fingerings: few tries, long rests. Ringing ears, a numb lip or a tired corner of the mouth: leave it for today.',
      wholeHorn:
        'What was built goes into lines: intervals, scales, a tune. Listen for one tone from the lowest note to the highest, as if one voice sang them all. End with something that you like to hear.',
    },
    breathingTitle: 'Breathing without the horn',
    breathing: {
      low: 'Sit or stand tall, a hand on the belly. In for two counts: the hand goes out, the shoulders stay. Out on “ff” for eight. Four times.',
      quick:
        'In at once through the corners of the mouth, as before a phrase; then out slowly for ten. Quick and low, never high and loud.',
      steady:
        'Blow at a leaf of paper an arm’s length away and keep it at one slant for six seconds; then softer, and nearer.',
      rest: 'After these breathe as usual for half a minute. Who gets dizzy stops and sits down.',
    },
    terms: {
      partial: {
        name: 'Partial',
        what: 'One of the tones that a tube can sound without another fingering: 1 is the note itself, 2 its octave, 3 the twelfth.',
      },
      overtone: {
        name: 'Overtone',
        what: 'A partial above the first, blown on purpose: the ear and the throat choose it, not the fingers.',
      },
      voicing: { name: 'Voicing', what: 'Tongue, throat and vowel, set for the note before it sounds.' },
      swell: { name: 'Swell', what: 'One note that grows and fades in one breath.' },
      ruler: {
        name: 'Ruler',
        what: 'How soft your pp and how loud your ff are at this microphone: all dynamics are read on it.',
      },
      window: { name: 'Window', what: 'How far from its pitch a tone may lie and still count as in tune.' },
      take: {
        name: 'Take',
        what: 'One playing of an exercise, from the count-in to the verdict, kept with its sound if you want.',
      },
      steadiness: { name: 'Steadiness', what: 'How much the pitch wanders within a tone, vibrato taken off.' },
      response: { name: 'Response', what: 'The time from the first breath noise to the tone.' },
      seam: {
        name: 'Uneven join',
        what: 'Two neighbouring notes that differ more in pitch, loudness or colour than neighbours usually do on your horn.',
      },
      evenness: { name: 'Evenness', what: 'How alike neighbouring notes are over the whole horn, of 100.' },
      edge: { name: 'Edge', what: 'The loudness under which a note breaks, stops or jumps up its octave.' },
      subtone: {
        name: 'Subtone',
        what: 'A soft, dark low tone with air in it, the jaw low: another voice than a plain soft tone.',
      },
      altissimo: {
        name: 'Altissimo',
        what: 'Notes above the highest key, made as overtones with fingerings that help.',
      },
      theBreak: {
        name: 'The break',
        what: 'From C♯5 to D5: from few fingers to all of them, and into the octave key.',
      },
      palm: { name: 'Palm notes', what: 'The highest keyed notes, D6 and above, played by the palm and side keys.' },
      vent: { name: 'Vent key', what: 'A key that is opened to help a partial or a high note to speak.' },
      survey: { name: 'Survey', what: 'Every note of a zone once, to fill the map.' },
      homeCheck: {
        name: 'Home check',
        what: 'All fingers down, one low note in the middle of something: does it speak as cleanly as ever?',
      },
      spine: { name: 'Spine', what: 'The line of the pitch within the ribbon.' },
    },
  },
} as const;
