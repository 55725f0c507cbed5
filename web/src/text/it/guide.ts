/** Words of the guide. */
export const guideWords = {
  guide: {
    title: 'Parole e disegni',
    why: 'Che cosa vogliono dire qui i termini e come si leggono i disegni. Tutto è su questo dispositivo.',
    search: 'Cerca una parola',
    none: 'Questa parola qui non c’è.',
    read: 'Come si legge',
    termsTitle: 'Termini',
    print: 'Stampa',
    drawings: {
      ribbon: {
        name: 'Il nastro',
        first: 'La linea è l’altezza: in su crescente, in giù calante; i tratti sono la tua finestra.',
        second: 'La banda è la dinamica: più è spessa, più è forte. Pallido o a tratti è ciò che era previsto.',
        third: 'Punti invece di una banda piena: fiato nel suono. Un altro colore con un numero: un altro parziale.',
        fourth: 'Una parentesi è il punto di cui parla la frase. Tratteggiato: suono perso dal dispositivo.',
      },
      rail: {
        name: 'La barra a sinistra',
        first: 'Un segno per ogni nota scritta del tuo strumento, la più alta in cima.',
        second:
          'Pieno: misurato da poco, intonato e fermo. A metà: misurato da poco, ma non ancora così. Vuoto: non misurato da tempo.',
        third: 'La seconda fila sono i semitoni in mezzo.',
        fourth: 'Un piccolo segno rosso: un passaggio disuguale alla nota sopra.',
      },
      map: {
        name: 'La mappa dello strumento',
        first: 'Ogni riga è una nota, con tre barre: piano, medio, forte.',
        second: 'A destra è di più (più alto, più lento, più chiaro); la linea verticale è dove dovrebbe stare.',
        third: 'La linea sottile sulla barra dice quanto è certo: corta è certa.',
        fourth: 'Indica una nota per vederla grande, premila per aprirla.',
      },
      lattice: {
        name: 'La tavola degli armonici',
        first: 'Ogni riga è una nota grave diteggiata, ogni colonna un parziale soffiato sopra.',
        second: 'La barra dice quanto spesso esce: piena dai tuoi tentativi, in contorno dove è solo quanto è usuale.',
        third: 'Il numero piccolo dice quanto sta lontano dall’altezza temperata, in cent.',
        fourth: 'Ciò che è incorniciato è il prossimo per te.',
      },
    },
    meaning: 'Che cosa significa',
    stagesTitle: 'Le tappe di uno studio',
    stageLink: 'A che cosa serve questa tappa',
    stages: {
      lowEnd:
        'Prima si svegliano le note più gravi, con labbro e orecchie freschi: mostrano subito se ancia, aria e cuscinetti vanno. Lascia correre l’aria prima del suono e dopo; la mascella resta bassa e ferma. Se una nota non viene dopo qualche prova, prendi quella sopra e lega verso il basso.',
      longTones:
        'Un suono alla volta, per sentire che cosa fa: dove sta, se si muove, come comincia e finisce. Metti la bocca, respira basso e lascia partire l’aria prima del suono; la fine ne fa parte. Un suono che trema alla fine era troppo lungo: più corto e intero è meglio.',
      swells:
        'La dinamica si muove, il resto resta: altezza e colore sono uguali a p e a f. Cresci con più aria e non con il labbro più molle; cala con meno aria e non con il labbro più stretto. Se l’altezza va con la dinamica, fai la forcella più piccola finché non va più.',
      descents:
        'Giù per lo strumento in un fiato, perché le gravi abbiano l’aria delle acute. Le dita si muovono; l’aria non se ne accorge. Se una nota si rompe, fermati lì, prendi l’ultima che teneva e lega ancora una volta.',
      lowRegister:
        'Piano, grave, oltre il passaggio, in subtone: dove lo strumento cede per primo. Piano è aria lenta con il suo appoggio, mai senz’aria; tieni la bocca della nota che suona bene. Se un suono sta per saltare, dai un po’ più d’aria, non più labbro.',
      overtones:
        'Posizione grave, nota acuta: scelgono orecchio e gola, le dita restano. Senti o canta la nota prima di soffiarla, poi lasciala venire. Il labbro riposa dopo ogni prova; otto di fila bastano, e ciò che fa male per oggi è finito.',
      altissimo:
        'Cresce da armonici sicuri, mai dal premere. Prima un’inflessione, poi una nota con le sue posizioni: poche prove, riposi lunghi. Orecchie che fischiano, labbro intorpidito o angolo della bocca stanco: lascialo per oggi.',
      wholeHorn:
        'Ciò che si è costruito va in linee: intervalli, scale, una melodia. Ascolta un solo suono dalla nota più grave alla più acuta, come se una voce le cantasse tutte. Finisci con qualcosa che ti piace sentire.',
    },
    breathingTitle: 'Respirare senza strumento',
    breathing: {
      low: 'Seduto o in piedi ben dritto, una mano sulla pancia. Inspira due tempi: la mano esce, le spalle restano. Soffia «ff» per otto. Quattro volte.',
      quick:
        'Inspira di colpo dagli angoli della bocca, come prima di una frase; poi soffia piano per dieci tempi. Rapido e basso, mai alto e rumoroso.',
      steady:
        'Soffia su un foglio a un braccio di distanza e tienilo inclinato uguale per sei secondi; poi più piano, e più vicino.',
      rest: 'Dopo respira come al solito mezzo minuto. A chi gira la testa si ferma e si siede.',
    },
    terms: {
      partial: {
        name: 'Parziale',
        what: 'Uno dei suoni che un tubo può dare senza altra diteggiatura: 1 è la nota stessa, 2 l’ottava, 3 la dodicesima.',
      },
      overtone: {
        name: 'Armonico',
        what: 'Un parziale sopra il primo, soffiato apposta: lo scelgono l’orecchio e la gola, non le dita.',
      },
      voicing: { name: 'Impostazione', what: 'Lingua, gola e vocale, pronte per la nota prima che suoni.' },
      swell: { name: 'Messa di voce', what: 'Una nota che cresce e svanisce in un fiato.' },
      ruler: {
        name: 'Scala',
        what: 'Quanto è piano il tuo pp e forte il tuo ff a questo microfono: lì si leggono tutte le dinamiche.',
      },
      window: {
        name: 'Finestra',
        what: 'Quanto un suono può stare lontano dalla sua altezza e contare ancora come intonato.',
      },
      take: {
        name: 'Ripresa',
        what: 'Un esercizio suonato una volta, dal conteggio al verdetto, conservato con il suono se vuoi.',
      },
      steadiness: { name: 'Fermezza', what: 'Quanto l’altezza si muove dentro un suono, tolto il vibrato.' },
      response: { name: 'Risposta', what: 'Il tempo dal primo rumore di fiato al suono.' },
      seam: {
        name: 'Passaggio disuguale',
        what: 'Due note vicine che differiscono in altezza, dinamica o timbro più di quanto facciano di solito le vicine sul tuo strumento.',
      },
      evenness: { name: 'Uguaglianza', what: 'Quanto si somigliano le note vicine su tutto lo strumento, su 100.' },
      edge: { name: 'Limite', what: 'Il livello sotto il quale una nota si rompe, si ferma o salta all’ottava.' },
      subtone: {
        name: 'Subtone',
        what: 'Un suono grave piano e scuro, con aria, mascella bassa: un’altra voce rispetto a un semplice piano.',
      },
      altissimo: {
        name: 'Sovracuti',
        what: 'Le note sopra la chiave più alta, fatte come armonici, con diteggiature che aiutano.',
      },
      theBreak: { name: 'Il passaggio', what: 'Da do♯5 a re5: da poche dita a tutte, e nella chiave d’ottava.' },
      palm: {
        name: 'Note di palmo',
        what: 'Le note più alte con chiavi, da re6 in su, con le chiavi di palmo e laterali.',
      },
      vent: { name: 'Chiave d’aiuto', what: 'Una chiave aperta perché un parziale o una nota acuta parli.' },
      survey: { name: 'Rilievo', what: 'Ogni nota di una zona una volta, per riempire la mappa.' },
      homeCheck: {
        name: 'Nota di casa',
        what: 'Tutte le dita giù, una nota grave nel mezzo di altro: parla pulita come sempre?',
      },
      spine: { name: 'Linea centrale', what: 'La linea dell’altezza nel nastro.' },
    },
  },
};
