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
        second: 'Pieno: parla ed è ben nota. Mezzo: a volte fallisce. Vuoto: non ancora sentita.',
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
        first: 'Ogni colonna è una nota grave diteggiata, ogni riga il parziale soffiato sopra.',
        second: 'Il numero dice quante volte è venuto quando è stato provato.',
        third: 'Ciò che è incorniciato è il prossimo per te.',
        fourth: 'Vuoto: non ancora provato.',
      },
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
      homeCheck: { name: 'Nota di casa', what: 'Una nota di mezzo che sa di casa: l’imboccatura c’è ancora?' },
      spine: { name: 'Linea centrale', what: 'La linea dell’altezza nel nastro.' },
    },
  },
};
