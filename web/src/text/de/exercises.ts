/** Words of Exercises, and what exercises are about wherever they are shown. */
export const exercisesWords = {
  families: {
    airIntoTone: {
      name: 'Luft wird Ton',
      what: 'Ein tiefer Ton wächst aus Luft, die schon fließt, und geht in sie zurück; dann ein Atemzug.',
    },
    hold: {
      name: 'Halten',
      what: 'Ein Ton, so lange er gut bleibt. Das Urteil sagt, wie lange, und was ihn beendete.',
    },
    countedBreaths: {
      name: 'Gezählte Atemzüge',
      what: 'Spielen, nach Zählen atmen, wieder spielen: der letzte so gut wie der erste.',
    },
    threeZones: {
      name: 'Drei Lagen',
      what: 'Ein mittlerer, ein tiefer, ein hoher Ton: wofür in fünf Minuten Platz ist.',
    },
    longToneScale: {
      name: 'Tonleiter in langen Tönen',
      what: 'Eine Tonleiter, jeder Ton ein eigener Atem, abwechselnd leise und laut: beide Male dieselbe Tonhöhe.',
    },
    vibrato: {
      name: 'Vibrato',
      what: 'Ein gerader Ton, derselbe mit Wellen nach dem Metronom, und wieder gerade.',
    },
    fromNothing: {
      name: 'Aus dem Nichts',
      what: 'Jeder Ton kommt nur mit Luft aus der Stille und öffnet sich in gerader Linie.',
    },
    octaveSlurs: {
      name: 'Gebundene Oktaven',
      what: 'Ein Ton, seine Oktave und zurück in einem Atem. Die Oktavklappe bewegt sich, sonst nichts.',
    },
    swell: { name: 'Schwellton', what: 'Ein Ton, der in gerader Linie an- und abschwillt, die Tonhöhe unbewegt.' },
    relaySwell: {
      name: 'Staffel',
      what: 'Auf einem Ton anschwellen, auf dem Höhepunkt an den nächsten Halbton übergeben, dort abschwellen.',
    },
    anchorSwell: {
      name: 'Ankerton',
      what: 'Auf einem Anker anschwellen, am Höhepunkt zu einem immer ferneren Ton binden, dort abschwellen.',
    },
    zigzagDescent: {
      name: 'Zickzack abwärts',
      what: 'In Halbtönen abwärts mit Pausen, abwechselnd an- und abschwellend.',
    },
    oneBreathDescent: {
      name: 'Abstieg in einem Atem',
      what: 'Hinab zum tiefsten Ton, in einem Bogen und einem langen Abschwellen.',
    },
    homeNote: {
      name: 'Heimatton',
      what: 'Vom tiefen Ton eine Tonleiter oder einen Dreiklang hinauf und zurück, jedes Mal weiter: Er spricht bei jeder Rückkehr sofort an.',
    },
    homeCheck: { name: 'Tiefe Probe', what: 'Alle Finger unten, ein tiefer Ton: Spricht er sauber an?' },
    vowelSweep: {
      name: 'Vokale',
      what: 'Ein tiefer Ton durch i – a – o – u, Tonhöhe und Lautstärke gehalten.',
    },
    octaveRestart: {
      name: 'Oktavfall und Neuanfang',
      what: 'Die Oktave hinab binden, dann den tiefen Ton immer wieder neu beginnen.',
    },
    crossingBreak: {
      name: 'Registerwechsel',
      what: 'Hinüber zum zweigestrichenen D, das sofort ansprechen soll. Ein paar Minuten, dann lassen.',
    },
    tongueOrAir: {
      name: 'Zunge oder Luft',
      what: 'Derselbe tiefe Anfang mit der Zunge, dann nur mit Luft: Welcher misslingt?',
    },
    fullAndSubtone: {
      name: 'Voll und Subtone',
      what: 'Voll, dann als Subtone, dann voll: Der Ton bleibt, die Tonhöhe sinkt nicht ab.',
    },
    firstTrace: {
      name: 'Erste Spur',
      what: 'Aus der Luft bis zur ersten Spur eines tiefen Tons, dort gehalten.',
    },
    fullSpanScale: {
      name: 'Tonleiter über alles',
      what: 'Eine Durtonleiter vom tiefsten zum höchsten Ton des Instruments und zurück.',
    },
    endSets: {
      name: 'Endtöne',
      what: 'Drei Töne, die viele Tonarten an einem Ende des Instruments gemeinsam haben, vom Ende und zurück.',
    },
    overtoneLadder: {
      name: 'Obertonleiter',
      what: 'Ein tiefer Griff, jedes Mal ein Teilton mehr, gebunden. Der nächste kommt dazu, wenn der letzte ruhig steht.',
    },
    humFirst: { name: 'Erst summen', what: 'Summe oder singe ihn in beliebiger Oktave, dann spiele ihn.' },
    overtoneMatch: {
      name: 'Oberton angleichen',
      what: 'Ein Ton mit seinem eigenen Griff und als Oberton, auf Zählzeit gewechselt: Mach sie gleich.',
    },
    quickAlternation: {
      name: 'Schneller Wechsel',
      what: 'Normal und Oberton abwechselnd in Achteln, dann gehalten.',
    },
    shortTwelfths: {
      name: 'Kurze Duodezimen',
      what: 'Mit Oktavklappe greifen, die Quinte darüber klingt. Die störrischen brauchen mehr Runden.',
    },
    overtoneRoute: {
      name: 'Obertonweg',
      what: 'Eine Tonleiter oder Melodie, jeder Ton als Oberton eines tieferen Griffs.',
    },
    altissimoVoicing: {
      name: 'Altissimo-Voicing',
      what: 'Ein Griff: zu den benachbarten Teiltönen und zurück, allein durch Voicing.',
    },
    fingeringTrial: { name: 'Griffprobe', what: 'Ein Griff für einen hohen Ton, drei Versuche.' },
    freePlay: { name: 'Freies Spiel', what: 'Was du gehalten hast, ein Ton nach dem anderen.' },
    bend: {
      name: 'Ziehen',
      what: 'Von einem gehaltenen Ton hinab und zurück, allein durch Voicing, in gerader Linie.',
    },
    bendToPitch: {
      name: 'Ziehen auf einen Ton',
      what: 'Jeder Versuch zieht einen Halbton weiter hinab, und zurück. Wie weit du kamst, wird notiert, nicht beurteilt.',
    },
    smallTube: {
      name: 'Kleines Rohr',
      what: 'Nur das Mundstück, oder mit S-Bogen: seine eigene Tonhöhe ruhig gehalten. Die Tonhöhe selbst wird notiert, nicht beurteilt.',
    },
    ventMatch: {
      name: 'Klappe als Vorbild',
      what: 'Ein Ton mit der genannten hohen Klappe geöffnet als helles Vorbild, dann geschlossen, der Klang bleibt.',
    },
    octaveDisplacement: {
      name: 'Oktavversetzung',
      what: 'Eine eigene Phrase, dann dieselbe eine Oktave entfernt.',
    },
    survey: {
      name: 'Vermessung',
      what: 'Töne des Instruments mittel, laut und leise. Sie füllen die Karte des Instruments.',
    },
    heardInterval: {
      name: 'Gehörtes Intervall',
      what: 'Einen Ton halten, den nächsten innerlich hören, ihn spielen; immer weiter.',
    },
  },
  phrase: {
    help: 'Namen mit Oktave; :2 für zwei Schläge, r für eine Pause.',
    empty: 'Schreibe mindestens einen Ton.',
    note: 'Wort {{word}}, „{{text}}“, ist kein Tonname.',
    beats: 'Wort {{word}}, „{{text}}“: Schläge sind Viertel eines Schlags bis 16, etwa :0.5 oder :2.',
    tooLong: 'Eine Phrase hat höchstens 200 Töne.',
  },
  cues: {
    label: 'Was ich gerade versuche',
    none: 'Nichts',
    tongueHeight: { low: 'Zunge tief, „a“', high: 'Zunge hinten hoch, schnelle Luft' },
    softPlaying: { slow: 'Leiser: langsamere Luft', pressure: 'Leiser: weniger Luft, gleicher Druck' },
    throat: { vowels: 'Vokale formen, die Kehle lassen', open: 'Die Kehle offen spüren' },
    restBreath: { nose: 'Durch die Nase atmen', corners: 'An den Mundwinkeln atmen' },
  },
  cautions: {
    ears: 'Hohe lange Töne sind laut am Ohr: Schütze deines, und mach Pausen.',
    breath:
      'Lange Töne können schwindlig machen: aufhören, normal atmen. Bei Herz, Lunge, Augendruck, Leistenbruch oder Schwangerschaft: erst einen Arzt fragen.',
    lip: 'Obertöne und hohe Töne ermüden die Lippe: Lass sie danach ruhen, und hör auf bei Schmerz oder Taubheit.',
    neighbours: 'Diese Töne gehen durch Wände: Denk an die, die dort wohnen.',
    hands: 'Lange im Stehen: Gurt hoch genug, Nacken frei, Hände leicht; leg das Instrument zwischendurch ab.',
    dismiss: 'Für heute ausblenden',
  },
  stages: {
    lowEnd: 'Die Tiefe wecken',
    longTones: 'Lange Töne',
    swells: 'Schwelltöne',
    descents: 'Abstiege',
    lowRegister: 'Tiefes Register und Registerwechsel',
    overtones: 'Obertöne',
    altissimo: 'Altissimo und Voicing',
    wholeHorn: 'Das ganze Instrument',
  },
  exercise: {
    title: 'Übungen',
    intro:
      'In der Reihenfolge einer Übezeit. Wähle eine, stelle sie ein, spiele sie, oder lege mehrere in einen Block, der von selbst läuft.',
    settings: 'Einstellungen dieser Übung',
    mouthpieceUsually:
      'Allein ruht ein Mundstück dieser Größe meist nahe {{note}}, klingend. Deines wird notiert, nicht beurteilt.',
    family: 'Übung',
    aim: 'Woran du arbeiten willst',
    aims: {
      all: 'Alles',
      start: 'Einsätze, die sofort ansprechen',
      line: 'Ein ruhiger Ton',
      level: 'Gleichmäßig lauter und leiser',
      pitch: 'Tonhöhe',
      colour: 'Klangfarbe',
      break: 'Kein Kieksen, kein Überschlagen',
      change: 'Von Ton zu Ton',
      time: 'Zeit',
      end: 'Das Ende des Tons',
    },
    play: 'Zum Pult',
    add: 'In den Block',
    added: 'Im Block.',
    keep: 'Als meine behalten',
    keepName: 'Name',
    keepNameBad: 'Gib ihr erst einen Namen.',
    own: 'Meine',
    use: 'Nehmen',
    remove: 'Entfernen',
    removed: 'Entfernt: {{name}}.',
    cleared: 'Der Block ist leer.',
    saveFile: 'Als Datei sichern',
    readFile: 'Datei öffnen',
    fileRead: '„{{name}}“ ist jetzt unter deinen.',
    fileBad: 'Diese Datei enthält keine Übung, die diese Version kennt. Nichts wurde geändert.',
    moveUp: 'Früher',
    more: 'Versuch, stumme Takte, Schlag eins, Hände frei',
    duplicate: 'Verdoppeln',
    copyOf: '{{name}} (Kopie)',
    favourites: 'Lieblinge',
    favour: 'Zu den Lieblingen',
    unfavour: 'Aus den Lieblingen',
    print: 'Blatt drucken',
    musicXml: 'MusicXML',
    midi: 'MIDI',
    block: 'Block',
    blockEmpty:
      'Noch nichts im Block. Was du hineinlegst, läuft auf einen Tastendruck nacheinander, mit Urteilen dazwischen.',
    blockStart: 'Block spielen',
    blockMinutes: 'Etwa {{minutes}} min mit Urteilen',
    clear: 'Block leeren',
    share: 'Link darauf kopieren',
    shared: 'Kopiert. Wer den Link öffnet, hat diese Übung am Pult.',
    shareBad: 'Dieser Link enthält keine Übung, die diese Version kennt. Nichts wurde geändert.',
    breath: {
      withReserve: 'Dein längster guter Ton dort in letzter Zeit: {{hold}} s. Er reicht, mit Luft übrig.',
      just: 'Dein längster guter Ton dort in letzter Zeit: {{hold}} s. Er reicht gerade.',
      not: 'Dein längster guter Ton dort in letzter Zeit: {{hold}} s. Er reicht ab Tempo {{just}}, mit Luft übrig ab {{reserve}}.',
      never:
        'Dein längster guter Ton dort in letzter Zeit: {{hold}} s. Es braucht weniger Schläge oder Töne; kein Tempo ist schnell genug.',
      atLeast:
        'Du hast dort mindestens {{hold}} s gehalten; wie lange dein Atem reicht, ist noch nicht bekannt. Die Übung Halten würde es zeigen.',
      take: '{{reserve}} nehmen',
    },
    notPossible: {
      sentence: 'So nicht möglich: {{why}} Das Nächste, das geht: {{changes}}.',
      take: 'Das nehmen',
      limits: '{{field}}: {{min}} bis {{max}}.',
      whole: '{{field}}: nur ganze Zahlen.',
      unknown: 'Diese Version kennt diese Wahl von „{{field}}“ nicht.',
      tooHigh: 'Es bräuchte {{note}}, und der höchste Ton, der auf diesem Instrument verlangt wird, ist {{limit}}.',
      tooLow: 'Es bräuchte {{note}}, und der tiefste Ton dieses Instruments ist {{limit}}.',
      order: 'Die leiseste Dynamik muss leiser sein als die lauteste.',
      fingered: 'Gegriffen wird von {{min}} bis {{max}}.',
      noSource: '{{note}} ist kein Oberton eines tieferen Griffs.',
      phrase: 'Die Phrase ist nicht als Töne lesbar.',
      empty: 'Es gäbe keinen Ton zu spielen.',
    },
    scoreOf: 'Die notierte Stimme: {{notes}}',
    beatsAt: '{{beats}} Schläge bei {{tempo}}',
    tempoOnly: 'bei {{tempo}}',
  },
} as const;
