<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de">
<context>
    <name>Samples</name>
    <message>
        <source>   hue %1°, opposite %2°</source>
        <translation>   Farbton %1°, gegenüber %2°</translation>
    </message>
    <message>
        <source>   lightness %1</source>
        <translation>   Helligkeit %1</translation>
    </message>
    <message>
        <source>ΔE %1 to %2</source>
        <translation>ΔE %1 zu %2</translation>
    </message>
</context>
<context>
    <name>baryton</name>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>About Baryton</source>
        <translation>Über Baryton</translation>
    </message>
    <message>
        <source>&lt;b&gt;Baryton&lt;/b&gt;&lt;br&gt;A colour style made on one picture, kept, and put on whole sets.&lt;br&gt;&lt;br&gt;Presets are kept in %1&lt;br&gt;Free software under the GNU General Public License, version 3 or later.&lt;br&gt;The typeface is Inter, under the SIL Open Font License.</source>
        <translation>&lt;b&gt;Baryton&lt;/b&gt;&lt;br&gt;Ein Farbstil, an einem Bild entstanden, aufbewahrt und auf ganze Serien gelegt.&lt;br&gt;&lt;br&gt;Vorgaben liegen in %1&lt;br&gt;Freie Software unter der GNU General Public License, Version 3 oder später.&lt;br&gt;Die Schrift ist Inter, unter der SIL Open Font License.</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Open folder…</source>
        <translation>Ordner öffnen…</translation>
    </message>
    <message>
        <source>Open pictures…</source>
        <translation>Bilder öffnen…</translation>
    </message>
    <message>
        <source>Save preset…</source>
        <translation>Vorgabe sichern…</translation>
    </message>
    <message>
        <source>Export LUT…</source>
        <translation>LUT ausgeben…</translation>
    </message>
    <message>
        <source>Write this picture…</source>
        <translation>Dieses Bild schreiben…</translation>
    </message>
    <message>
        <source>Open this picture with…</source>
        <translation>Dieses Bild öffnen mit…</translation>
    </message>
    <message>
        <source>Import presets and LUTs…</source>
        <translation>Vorgaben und LUTs einlesen…</translation>
    </message>
    <message>
        <source>Export a pack…</source>
        <translation>Ein Paket ausgeben…</translation>
    </message>
    <message>
        <source>Preferences…</source>
        <translation>Einstellungen…</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>Edit</source>
        <translation>Bearbeiten</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>Copy the grade</source>
        <translation>Gestaltung kopieren</translation>
    </message>
    <message>
        <source>Paste to the chosen pictures</source>
        <translation>Auf die gewählten Bilder einfügen</translation>
    </message>
    <message>
        <source>Paste with ticks…</source>
        <translation>Mit Häkchen einfügen…</translation>
    </message>
    <message>
        <source>Find anything…</source>
        <translation>Alles finden…</translation>
    </message>
    <message>
        <source>Reset the stage</source>
        <translation>Stufe zurücksetzen</translation>
    </message>
    <message>
        <source>Reset the picture</source>
        <translation>Bild zurücksetzen</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Next picture</source>
        <translation>Nächstes Bild</translation>
    </message>
    <message>
        <source>Previous picture</source>
        <translation>Voriges Bild</translation>
    </message>
    <message>
        <source>Choose all pictures</source>
        <translation>Alle Bilder wählen</translation>
    </message>
    <message>
        <source>Edits go to all chosen</source>
        <translation>Änderungen gelten allen gewählten</translation>
    </message>
    <message>
        <source>Keep a take</source>
        <translation>Eine Fassung behalten</translation>
    </message>
    <message>
        <source>Takes and steps</source>
        <translation>Fassungen und Schritte</translation>
    </message>
    <message>
        <source>Reference picture…</source>
        <translation>Referenzbild…</translation>
    </message>
    <message>
        <source>Start of new pictures…</source>
        <translation>Anfang neuer Bilder…</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>Add a stage…</source>
        <translation>Stufe hinzufügen…</translation>
    </message>
    <message>
        <source>Add a layer</source>
        <translation>Ebene hinzufügen</translation>
    </message>
    <message>
        <source>Work on the picture</source>
        <translation>Am Bild arbeiten</translation>
    </message>
    <message>
        <source>Show the stage alone</source>
        <translation>Die Stufe allein zeigen</translation>
    </message>
    <message>
        <source>Duplicate the stage</source>
        <translation>Stufe verdoppeln</translation>
    </message>
    <message>
        <source>Delete the stage</source>
        <translation>Stufe löschen</translation>
    </message>
    <message>
        <source>Move the stage earlier</source>
        <translation>Stufe nach vorn</translation>
    </message>
    <message>
        <source>Move the stage later</source>
        <translation>Stufe nach hinten</translation>
    </message>
    <message>
        <source>Bring back Baryton&apos;s own presets…</source>
        <translation>Barytons eigene Vorgaben zurückholen…</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>Grade</source>
        <translation>Gestalten</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Packen</translation>
    </message>
    <message>
        <source>Batch</source>
        <translation>Stapel</translation>
    </message>
    <message>
        <source>Before, while held</source>
        <translation>Vorher, solange gehalten</translation>
    </message>
    <message>
        <source>Wipe</source>
        <translation>Wischen</translation>
    </message>
    <message>
        <source>Wipe across</source>
        <translation>Quer wischen</translation>
    </message>
    <message>
        <source>Beside</source>
        <translation>Daneben</translation>
    </message>
    <message>
        <source>Grid of pictures</source>
        <translation>Raster von Bildern</translation>
    </message>
    <message>
        <source>Clip marks</source>
        <translation>Beschnittmarken</translation>
    </message>
    <message>
        <source>Fit the window</source>
        <translation>Ins Fenster einpassen</translation>
    </message>
    <message>
        <source>Full size (100 %)</source>
        <translation>Volle Größe (100 %)</translation>
    </message>
    <message>
        <source>Double size (200 %)</source>
        <translation>Doppelte Größe (200 %)</translation>
    </message>
    <message>
        <source>Larger</source>
        <translation>Größer</translation>
    </message>
    <message>
        <source>Smaller</source>
        <translation>Kleiner</translation>
    </message>
    <message>
        <source>Shelf of presets</source>
        <translation>Regal der Vorgaben</translation>
    </message>
    <message>
        <source>Panels</source>
        <translation>Leisten</translation>
    </message>
    <message>
        <source>Full screen</source>
        <translation>Ganzer Bildschirm</translation>
    </message>
    <message>
        <source>Help</source>
        <translation>Hilfe</translation>
    </message>
    <message>
        <source>Keys…</source>
        <translation>Tasten…</translation>
    </message>
    <message>
        <source>About Baryton…</source>
        <translation>Über Baryton…</translation>
    </message>
    <message>
        <source>A number</source>
        <translation>Eine Zahl</translation>
    </message>
    <message>
        <source>Up and Down turn it, Shift by ten; Enter takes a number or a sum, Escape takes it back</source>
        <translation>Auf und Ab drehen sie, mit Umschalt um zehn; Eingabe nimmt eine Zahl oder Rechnung, Escape nimmt sie zurück</translation>
    </message>
    <message>
        <source>A ruler</source>
        <translation>Ein Lineal</translation>
    </message>
    <message>
        <source>arrow keys turn it, Shift by ten; Home goes back to the default</source>
        <translation>Pfeiltasten drehen es, mit Umschalt um zehn; Pos1 geht zum Ausgangswert zurück</translation>
    </message>
    <message>
        <source>A curve</source>
        <translation>Eine Kurve</translation>
    </message>
    <message>
        <source>A card of the chain</source>
        <translation>Eine Karte der Kette</translation>
    </message>
    <message>
        <source>Left and Right walk; Space turns the stage on and off; Enter opens it, Delete removes it</source>
        <translation>Links und Rechts gehen weiter; Leertaste schaltet die Stufe ein und aus; Eingabe öffnet sie, Entf löscht sie</translation>
    </message>
    <message>
        <source>Hue bands</source>
        <translation>Farbbänder</translation>
    </message>
    <message>
        <source>Up and Down turn the value, Left and Right the hue; comma and full stop choose a band, Page Up and Page Down the lane</source>
        <translation>Auf und Ab drehen den Wert, Links und Rechts den Farbton; Komma und Punkt wählen ein Band, Bild auf und Bild ab die Bahn</translation>
    </message>
    <message>
        <source>A triangle&apos;s corner</source>
        <translation>Eine Ecke des Dreiecks</translation>
    </message>
    <message>
        <source>Left and Right turn it, Up and Down change its reach; Page Up and Page Down choose; Home resets</source>
        <translation>Links und Rechts drehen sie, Auf und Ab ändern ihre Reichweite; Bild auf und Bild ab wählen; Pos1 setzt zurück</translation>
    </message>
    <message>
        <source>A bar with handles</source>
        <translation>Eine Leiste mit Griffen</translation>
    </message>
    <message>
        <source>arrow keys move the handle; Page Up and Page Down choose; Home resets</source>
        <translation>Pfeiltasten bewegen den Griff; Bild auf und Bild ab wählen; Pos1 setzt zurück</translation>
    </message>
    <message>
        <source>A cell of a table</source>
        <translation>Ein Feld einer Tafel</translation>
    </message>
    <message>
        <source>a digit or Enter writes; Up and Down turn it, Shift by ten; Home resets</source>
        <translation>eine Ziffer oder Eingabe schreibt; Auf und Ab drehen es, mit Umschalt um zehn; Pos1 setzt zurück</translation>
    </message>
    <message>
        <source>The picture</source>
        <translation>Das Bild</translation>
    </message>
    <message>
        <source>Space held pans by dragging</source>
        <translation>Leertaste gehalten verschiebt durch Ziehen</translation>
    </message>
    <message>
        <source>Import {}</source>
        <translation>{} einlesen</translation>
    </message>
    <message>
        <source>First presets</source>
        <translation>Erste Vorgaben</translation>
    </message>
    <message>
        <source>no effect here</source>
        <translation>hier ohne Wirkung</translation>
    </message>
    <message>
        <source>{} finds nothing to work on: what stands before it has taken the colours it acts on.</source>
        <translation>{} findet nichts zu tun: was davor steht, hat die Farben genommen, auf die es wirkt.</translation>
    </message>
    <message>
        <source>changes nothing</source>
        <translation>ändert nichts</translation>
    </message>
    <message>
        <source>{} changes no pixel of this picture by as much as ΔE {}.</source>
        <translation>{} ändert kein Pixel dieses Bildes um auch nur ΔE {}.</translation>
    </message>
    <message>
        <source>below black {}</source>
        <translation>unter Schwarz {}</translation>
    </message>
    <message>
        <source>above white {}</source>
        <translation>über Weiß {}</translation>
    </message>
    <message>
        <source>{} pushes pixels past the ends: {}. A later stage may bring them back.</source>
        <translation>{} schiebt Pixel über die Enden hinaus: {}. Eine spätere Stufe kann sie zurückholen.</translation>
    </message>
    <message>
        <source>{} lays the levels {} to {} almost together ({:.0f} % of the picture): folds and texture are lost there. A softer bend keeps them.</source>
        <translation>{} legt die Stufen {} bis {} fast aufeinander ({:.0f} % des Bildes): Falten und Struktur gehen dort verloren. Eine weichere Biegung erhält sie.</translation>
    </message>
    <message>
        <source>{} draws {} neighbouring levels more than 2 apart: smooth areas may show bands.</source>
        <translation>{} zieht {} benachbarte Tonstufen mehr als 2 auseinander: glatte Flächen können Streifen zeigen.</translation>
    </message>
    <message>
        <source>The picture is already contrasty (its tones span {:.0f} % of the scale): {} will look dull. Flatten it first with Tone, or lower the film contrast.</source>
        <translation>Das Bild ist schon kontrastreich (seine Töne nehmen {:.0f} % der Skala ein): {} wird stumpf aussehen. Erst mit Tonumfang flacher machen oder den Filmkontrast senken.</translation>
    </message>
    <message>
        <source>This picture has no colours here for some of {}: {}.</source>
        <translation>Dieses Bild hat hier keine Farben für einiges von {}: {}.</translation>
    </message>
    <message>
        <source>LUT missing</source>
        <translation>LUT fehlt</translation>
    </message>
    <message>
        <source>{} names the LUT “{}”, but its content did not come along: the picture passes through. Load the file again.</source>
        <translation>{} nennt die LUT „{}“, aber ihr Inhalt kam nicht mit: das Bild geht unverändert durch. Die Datei neu laden.</translation>
    </message>
    <message>
        <source>Exposure</source>
        <translation>Belichtung</translation>
    </message>
    <message>
        <source>Brightens or darkens the whole picture as if it had been exposed longer or shorter.</source>
        <translation>Macht das ganze Bild heller oder dunkler, als wäre es länger oder kürzer belichtet worden.</translation>
    </message>
    <message>
        <source>Stops</source>
        <translation>Blenden</translation>
    </message>
    <message>
        <source>One stop up doubles the light everywhere, one down halves it.</source>
        <translation>Eine Blende mehr verdoppelt überall das Licht, eine weniger halbiert es.</translation>
    </message>
    <message>
        <source>Tones from</source>
        <translation>Töne ab</translation>
    </message>
    <message>
        <source>The stage acts on tones from here up.</source>
        <translation>Die Stufe wirkt auf Töne ab hier aufwärts.</translation>
    </message>
    <message>
        <source>Tones to</source>
        <translation>Töne bis</translation>
    </message>
    <message>
        <source>The stage acts on tones up to here.</source>
        <translation>Die Stufe wirkt auf Töne bis hier.</translation>
    </message>
    <message>
        <source>Tone softness</source>
        <translation>Tonweichheit</translation>
    </message>
    <message>
        <source>How gently the stage sets in at the ends.</source>
        <translation>Wie sanft die Stufe an den Enden einsetzt.</translation>
    </message>
    <message>
        <source>Hue</source>
        <translation>Farbton</translation>
    </message>
    <message>
        <source>The hue that the stage acts on.</source>
        <translation>Der Farbton, auf den die Stufe wirkt.</translation>
    </message>
    <message>
        <source>Hue width</source>
        <translation>Farbtonbreite</translation>
    </message>
    <message>
        <source>How many degrees of hue the stage acts on; 360 is all of them, and grey.</source>
        <translation>Auf wie viele Grad Farbton die Stufe wirkt; 360 sind alle, und Grau.</translation>
    </message>
    <message>
        <source>Hue softness</source>
        <translation>Farbweichheit</translation>
    </message>
    <message>
        <source>How gently the hues fade out.</source>
        <translation>Wie sanft die Farbtöne auslaufen.</translation>
    </message>
    <message>
        <source>White balance</source>
        <translation>Weißabgleich</translation>
    </message>
    <message>
        <source>Makes the light of the scene neutral.</source>
        <translation>Macht das Licht der Szene neutral.</translation>
    </message>
    <message>
        <source>Temperature</source>
        <translation>Farbtemperatur</translation>
    </message>
    <message>
        <source>The colour of the light the picture was taken in: lower for lamps (the picture turns bluer), higher for shade (it turns warmer).</source>
        <translation>Die Farbe des Lichts bei der Aufnahme: niedriger für Lampen (das Bild wird blauer), höher für Schatten (es wird wärmer).</translation>
    </message>
    <message>
        <source>Tint</source>
        <translation>Tönung</translation>
    </message>
    <message>
        <source>Takes away a green cast (to the right) or a magenta one (to the left).</source>
        <translation>Nimmt einen Grünstich weg (nach rechts) oder einen Magentastich (nach links).</translation>
    </message>
    <message>
        <source>Warmth</source>
        <translation>Wärme</translation>
    </message>
    <message>
        <source>Makes the picture warmer or cooler than it is, whatever its own white balance.</source>
        <translation>Macht das Bild wärmer oder kühler, als es ist, gleich welchen Weißabgleich es hat.</translation>
    </message>
    <message>
        <source>To the right warmer, to the left cooler, in mired: equal steps look equal.</source>
        <translation>Nach rechts wärmer, nach links kühler, in Mired: gleiche Schritte sehen gleich aus.</translation>
    </message>
    <message>
        <source>To the right toward magenta, to the left toward green.</source>
        <translation>Nach rechts Richtung Magenta, nach links Richtung Grün.</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Tonumfang</translation>
    </message>
    <message>
        <source>Sets the scale from dark to light: its two ends, the shadows, the highlights and the contrast between.</source>
        <translation>Stellt die Skala von dunkel bis hell ein: beide Enden, die Schatten, die Lichter und den Kontrast dazwischen.</translation>
    </message>
    <message>
        <source>Black end</source>
        <translation>Schwarzes Ende</translation>
    </message>
    <message>
        <source>Lifts or deepens the darkest tones alone.</source>
        <translation>Hebt oder vertieft nur die dunkelsten Töne.</translation>
    </message>
    <message>
        <source>Shadows</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>Opens or closes the shadows; black stays.</source>
        <translation>Öffnet oder schließt die Schatten; Schwarz bleibt.</translation>
    </message>
    <message>
        <source>Contrast</source>
        <translation>Kontrast</translation>
    </message>
    <message>
        <source>Draws tones apart or together about the pivot.</source>
        <translation>Zieht Töne um den Drehpunkt auseinander oder zusammen.</translation>
    </message>
    <message>
        <source>Pivot</source>
        <translation>Drehpunkt</translation>
    </message>
    <message>
        <source>The tone that contrast leaves where it is.</source>
        <translation>Der Ton, den der Kontrast lässt, wo er ist.</translation>
    </message>
    <message>
        <source>Highlights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>Lightens or recovers the highlights; white stays.</source>
        <translation>Hellt die Lichter auf oder holt sie zurück; Weiß bleibt.</translation>
    </message>
    <message>
        <source>White end</source>
        <translation>Weißes Ende</translation>
    </message>
    <message>
        <source>Lifts or lowers the lightest tones alone.</source>
        <translation>Hebt oder senkt nur die hellsten Töne.</translation>
    </message>
    <message>
        <source>Levels</source>
        <translation>Tonwerte</translation>
    </message>
    <message>
        <source>Chooses what becomes black and white, where the middle lies, and how dark and light the result may be.</source>
        <translation>Bestimmt, was Schwarz und Weiß wird, wo die Mitte liegt und wie dunkel und hell das Ergebnis sein darf.</translation>
    </message>
    <message>
        <source>RGB black in</source>
        <translation>RGB Schwarz herein</translation>
    </message>
    <message>
        <source>What is darker of all channels becomes black.</source>
        <translation>Was in allen Kanälen dunkler ist, wird schwarz.</translation>
    </message>
    <message>
        <source>RGB gamma</source>
        <translation>RGB Gamma</translation>
    </message>
    <message>
        <source>Above 1 lightens the middle of all channels, below darkens it.</source>
        <translation>Über 1 hellt die Mitte aller Kanäle auf, darunter dunkelt es sie ab.</translation>
    </message>
    <message>
        <source>RGB white in</source>
        <translation>RGB Weiß herein</translation>
    </message>
    <message>
        <source>What is lighter of all channels becomes white.</source>
        <translation>Was in allen Kanälen heller ist, wird weiß.</translation>
    </message>
    <message>
        <source>RGB black out</source>
        <translation>RGB Schwarz heraus</translation>
    </message>
    <message>
        <source>The darkest that comes out of all channels: lifted, blacks turn matte.</source>
        <translation>Das Dunkelste, das in allen Kanälen herauskommt: angehoben werden Schwärzen matt.</translation>
    </message>
    <message>
        <source>RGB white out</source>
        <translation>RGB Weiß heraus</translation>
    </message>
    <message>
        <source>The lightest that comes out of all channels.</source>
        <translation>Das Hellste, das in allen Kanälen herauskommt.</translation>
    </message>
    <message>
        <source>Red black in</source>
        <translation>Rot Schwarz herein</translation>
    </message>
    <message>
        <source>What is darker of red becomes black.</source>
        <translation>Was im Rot dunkler ist, wird schwarz.</translation>
    </message>
    <message>
        <source>Red gamma</source>
        <translation>Rot Gamma</translation>
    </message>
    <message>
        <source>Above 1 lightens the middle of red, below darkens it.</source>
        <translation>Über 1 hellt die Mitte des Rots auf, darunter dunkelt es sie ab.</translation>
    </message>
    <message>
        <source>Red white in</source>
        <translation>Rot Weiß herein</translation>
    </message>
    <message>
        <source>What is lighter of red becomes white.</source>
        <translation>Was im Rot heller ist, wird weiß.</translation>
    </message>
    <message>
        <source>Red black out</source>
        <translation>Rot Schwarz heraus</translation>
    </message>
    <message>
        <source>The darkest that comes out of red: lifted, blacks turn matte.</source>
        <translation>Das Dunkelste, das im Rot herauskommt: angehoben werden Schwärzen matt.</translation>
    </message>
    <message>
        <source>Red white out</source>
        <translation>Rot Weiß heraus</translation>
    </message>
    <message>
        <source>The lightest that comes out of red.</source>
        <translation>Das Hellste, das im Rot herauskommt.</translation>
    </message>
    <message>
        <source>Green black in</source>
        <translation>Grün Schwarz herein</translation>
    </message>
    <message>
        <source>What is darker of green becomes black.</source>
        <translation>Was im Grün dunkler ist, wird schwarz.</translation>
    </message>
    <message>
        <source>Green gamma</source>
        <translation>Grün Gamma</translation>
    </message>
    <message>
        <source>Above 1 lightens the middle of green, below darkens it.</source>
        <translation>Über 1 hellt die Mitte des Grüns auf, darunter dunkelt es sie ab.</translation>
    </message>
    <message>
        <source>Green white in</source>
        <translation>Grün Weiß herein</translation>
    </message>
    <message>
        <source>What is lighter of green becomes white.</source>
        <translation>Was im Grün heller ist, wird weiß.</translation>
    </message>
    <message>
        <source>Green black out</source>
        <translation>Grün Schwarz heraus</translation>
    </message>
    <message>
        <source>The darkest that comes out of green: lifted, blacks turn matte.</source>
        <translation>Das Dunkelste, das im Grün herauskommt: angehoben werden Schwärzen matt.</translation>
    </message>
    <message>
        <source>Green white out</source>
        <translation>Grün Weiß heraus</translation>
    </message>
    <message>
        <source>The lightest that comes out of green.</source>
        <translation>Das Hellste, das im Grün herauskommt.</translation>
    </message>
    <message>
        <source>Blue black in</source>
        <translation>Blau Schwarz herein</translation>
    </message>
    <message>
        <source>What is darker of blue becomes black.</source>
        <translation>Was im Blau dunkler ist, wird schwarz.</translation>
    </message>
    <message>
        <source>Blue gamma</source>
        <translation>Blau Gamma</translation>
    </message>
    <message>
        <source>Above 1 lightens the middle of blue, below darkens it.</source>
        <translation>Über 1 hellt die Mitte des Blaus auf, darunter dunkelt es sie ab.</translation>
    </message>
    <message>
        <source>Blue white in</source>
        <translation>Blau Weiß herein</translation>
    </message>
    <message>
        <source>What is lighter of blue becomes white.</source>
        <translation>Was im Blau heller ist, wird weiß.</translation>
    </message>
    <message>
        <source>Blue black out</source>
        <translation>Blau Schwarz heraus</translation>
    </message>
    <message>
        <source>The darkest that comes out of blue: lifted, blacks turn matte.</source>
        <translation>Das Dunkelste, das im Blau herauskommt: angehoben werden Schwärzen matt.</translation>
    </message>
    <message>
        <source>Blue white out</source>
        <translation>Blau Weiß heraus</translation>
    </message>
    <message>
        <source>The lightest that comes out of blue.</source>
        <translation>Das Hellste, das im Blau herauskommt.</translation>
    </message>
    <message>
        <source>Curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>Bends the tones: what is dark, middling or light becomes darker or lighter, in all channels or in one.</source>
        <translation>Biegt die Töne: Dunkles, Mittleres oder Helles wird dunkler oder heller, in allen Kanälen oder in einem.</translation>
    </message>
    <message>
        <source>RGB</source>
        <translation>RGB</translation>
    </message>
    <message>
        <source>Changes the tones of all three channels alike: an S gives contrast, a lifted left end matte blacks.</source>
        <translation>Ändert die Töne aller drei Kanäle gleich: ein S gibt Kontrast, ein angehobenes linkes Ende matte Schwärzen.</translation>
    </message>
    <message>
        <source>Luma</source>
        <translation>Luma</translation>
    </message>
    <message>
        <source>Changes how light tones are and leaves their colour as it is.</source>
        <translation>Ändert, wie hell Töne sind, und lässt ihre Farbe, wie sie ist.</translation>
    </message>
    <message>
        <source>Red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>Upward turns these tones toward red, downward toward cyan.</source>
        <translation>Aufwärts werden diese Töne röter, abwärts cyaner.</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>Upward turns these tones toward green, downward toward magenta.</source>
        <translation>Aufwärts werden diese Töne grüner, abwärts magentafarbener.</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>Upward turns these tones toward blue, downward toward yellow.</source>
        <translation>Aufwärts werden diese Töne blauer, abwärts gelber.</translation>
    </message>
    <message>
        <source>Lightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>Changes lightness as the eye sees it.</source>
        <translation>Ändert die Helligkeit, wie das Auge sie sieht.</translation>
    </message>
    <message>
        <source>Green to red</source>
        <translation>Grün nach Rot</translation>
    </message>
    <message>
        <source>The middle is neutral; steeper draws greens and reds apart.</source>
        <translation>Die Mitte ist neutral; steiler zieht Grün und Rot auseinander.</translation>
    </message>
    <message>
        <source>Blue to yellow</source>
        <translation>Blau nach Gelb</translation>
    </message>
    <message>
        <source>The middle is neutral; steeper draws blues and yellows apart.</source>
        <translation>Die Mitte ist neutral; steiler zieht Blau und Gelb auseinander.</translation>
    </message>
    <message>
        <source>Response</source>
        <translation>Wirkung</translation>
    </message>
    <message>
        <source>How the RGB curve acts: on each channel, with hues held, or on luma alone.</source>
        <translation>Wie die RGB-Kurve wirkt: auf jeden Kanal, mit gehaltenen Farbtönen oder nur auf Luma.</translation>
    </message>
    <message>
        <source>Channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>Hold hue</source>
        <translation>Farbton halten</translation>
    </message>
    <message>
        <source>Luma only</source>
        <translation>Nur Luma</translation>
    </message>
    <message>
        <source>Spline</source>
        <translation>Kurvenform</translation>
    </message>
    <message>
        <source>Monotone never swings past its points; natural is smoother.</source>
        <translation>Monoton schwingt nie über seine Punkte hinaus; natürlich ist glatter.</translation>
    </message>
    <message>
        <source>Monotone</source>
        <translation>Monoton</translation>
    </message>
    <message>
        <source>Natural</source>
        <translation>Natürlich</translation>
    </message>
    <message>
        <source>Wheels</source>
        <translation>Farbräder</translation>
    </message>
    <message>
        <source>Pushes shadows, midtones and highlights each toward a colour of their own, and lifts or lowers them.</source>
        <translation>Schiebt Schatten, Mitteltöne und Lichter je zu einer eigenen Farbe und hebt oder senkt sie.</translation>
    </message>
    <message>
        <source>Shadows hue</source>
        <translation>Schatten Farbton</translation>
    </message>
    <message>
        <source>The colour that the dark tones are pushed toward.</source>
        <translation>Die Farbe, zu der die dunklen Töne geschoben werden.</translation>
    </message>
    <message>
        <source>Shadows amount</source>
        <translation>Schatten Stärke</translation>
    </message>
    <message>
        <source>How far the dark tones are pushed toward the hue.</source>
        <translation>Wie weit die dunklen Töne zu diesem Farbton geschoben werden.</translation>
    </message>
    <message>
        <source>Shadows level</source>
        <translation>Schatten Höhe</translation>
    </message>
    <message>
        <source>Lifts or deepens the dark tones; white stays.</source>
        <translation>Hebt oder vertieft die dunklen Töne; Weiß bleibt.</translation>
    </message>
    <message>
        <source>Midtones hue</source>
        <translation>Mitteltöne Farbton</translation>
    </message>
    <message>
        <source>The colour that the middle tones are pushed toward.</source>
        <translation>Die Farbe, zu der die mittleren Töne geschoben werden.</translation>
    </message>
    <message>
        <source>Midtones amount</source>
        <translation>Mitteltöne Stärke</translation>
    </message>
    <message>
        <source>How far the middle tones are pushed toward the hue.</source>
        <translation>Wie weit die mittleren Töne zu diesem Farbton geschoben werden.</translation>
    </message>
    <message>
        <source>Midtones level</source>
        <translation>Mitteltöne Höhe</translation>
    </message>
    <message>
        <source>Lightens or darkens the middle tones; black and white stay.</source>
        <translation>Macht die mittleren Töne heller oder dunkler; Schwarz und Weiß bleiben.</translation>
    </message>
    <message>
        <source>Highlights hue</source>
        <translation>Lichter Farbton</translation>
    </message>
    <message>
        <source>The colour that the light tones are pushed toward.</source>
        <translation>Die Farbe, zu der die hellen Töne geschoben werden.</translation>
    </message>
    <message>
        <source>Highlights amount</source>
        <translation>Lichter Stärke</translation>
    </message>
    <message>
        <source>How far the light tones are pushed toward the hue.</source>
        <translation>Wie weit die hellen Töne zu diesem Farbton geschoben werden.</translation>
    </message>
    <message>
        <source>Highlights level</source>
        <translation>Lichter Höhe</translation>
    </message>
    <message>
        <source>Lightens or darkens the light tones; black stays.</source>
        <translation>Macht die hellen Töne heller oder dunkler; Schwarz bleibt.</translation>
    </message>
    <message>
        <source>Whole hue</source>
        <translation>Ganzes Farbton</translation>
    </message>
    <message>
        <source>The colour that all tones are pushed toward.</source>
        <translation>Die Farbe, zu der alle Töne geschoben werden.</translation>
    </message>
    <message>
        <source>Whole amount</source>
        <translation>Ganzes Stärke</translation>
    </message>
    <message>
        <source>How far all tones are pushed toward the hue.</source>
        <translation>Wie weit alle Töne zu diesem Farbton geschoben werden.</translation>
    </message>
    <message>
        <source>Whole level</source>
        <translation>Ganzes Höhe</translation>
    </message>
    <message>
        <source>Moves all tones up or down alike.</source>
        <translation>Hebt oder senkt alle Töne gleich.</translation>
    </message>
    <message>
        <source>Shadows reach</source>
        <translation>Schatten bis</translation>
    </message>
    <message>
        <source>Up to which tone the shadows reach.</source>
        <translation>Bis zu welchem Ton die Schatten reichen.</translation>
    </message>
    <message>
        <source>Highlights start</source>
        <translation>Lichter ab</translation>
    </message>
    <message>
        <source>From which tone on the highlights count.</source>
        <translation>Ab welchem Ton die Lichter zählen.</translation>
    </message>
    <message>
        <source>Softness</source>
        <translation>Weichheit</translation>
    </message>
    <message>
        <source>How gently the ranges pass into one another.</source>
        <translation>Wie sanft die Bereiche ineinander übergehen.</translation>
    </message>
    <message>
        <source>Split tone</source>
        <translation>Teiltonung</translation>
    </message>
    <message>
        <source>Puts one colour into the shadows and another into the highlights.</source>
        <translation>Legt eine Farbe in die Schatten und eine andere in die Lichter.</translation>
    </message>
    <message>
        <source>The colour that goes into the shadows.</source>
        <translation>Die Farbe, die in die Schatten kommt.</translation>
    </message>
    <message>
        <source>How much of it.</source>
        <translation>Wie viel davon.</translation>
    </message>
    <message>
        <source>The colour that goes into the highlights.</source>
        <translation>Die Farbe, die in die Lichter kommt.</translation>
    </message>
    <message>
        <source>Balance</source>
        <translation>Gewicht</translation>
    </message>
    <message>
        <source>To the right the highlights&apos; colour reaches further down.</source>
        <translation>Nach rechts reicht die Farbe der Lichter weiter hinunter.</translation>
    </message>
    <message>
        <source>Hold black and white</source>
        <translation>Schwarz und Weiß halten</translation>
    </message>
    <message>
        <source>Leaves the very darkest and lightest tones neutral.</source>
        <translation>Lässt die allerdunkelsten und allerhellsten Töne neutral.</translation>
    </message>
    <message>
        <source>Turns, strengthens and lightens families of hues, each on its own.</source>
        <translation>Dreht, verstärkt und hellt Familien von Farbtönen auf, jede für sich.</translation>
    </message>
    <message>
        <source>Band 1 hue</source>
        <translation>Band 1 Farbton</translation>
    </message>
    <message>
        <source>Band 1 width</source>
        <translation>Band 1 Breite</translation>
    </message>
    <message>
        <source>How many degrees of hue the band takes whole.</source>
        <translation>Wie viele Grad Farbton das Band ganz nimmt.</translation>
    </message>
    <message>
        <source>Band 1 feather</source>
        <translation>Band 1 Auslauf</translation>
    </message>
    <message>
        <source>How gently the band ends on either side.</source>
        <translation>Wie sanft das Band zu beiden Seiten endet.</translation>
    </message>
    <message>
        <source>Band 1 shift</source>
        <translation>Band 1 Drehung</translation>
    </message>
    <message>
        <source>Turns these hues round the circle.</source>
        <translation>Dreht diese Farbtöne im Kreis.</translation>
    </message>
    <message>
        <source>Band 1 saturation</source>
        <translation>Band 1 Sättigung</translation>
    </message>
    <message>
        <source>Makes these hues stronger or quieter.</source>
        <translation>Macht diese Farbtöne kräftiger oder stiller.</translation>
    </message>
    <message>
        <source>Band 1 lightness</source>
        <translation>Band 1 Helligkeit</translation>
    </message>
    <message>
        <source>Makes these hues lighter or darker.</source>
        <translation>Macht diese Farbtöne heller oder dunkler.</translation>
    </message>
    <message>
        <source>Band 2 hue</source>
        <translation>Band 2 Farbton</translation>
    </message>
    <message>
        <source>Band 2 width</source>
        <translation>Band 2 Breite</translation>
    </message>
    <message>
        <source>Band 2 feather</source>
        <translation>Band 2 Auslauf</translation>
    </message>
    <message>
        <source>Band 2 shift</source>
        <translation>Band 2 Drehung</translation>
    </message>
    <message>
        <source>Band 2 saturation</source>
        <translation>Band 2 Sättigung</translation>
    </message>
    <message>
        <source>Band 2 lightness</source>
        <translation>Band 2 Helligkeit</translation>
    </message>
    <message>
        <source>Band 3 hue</source>
        <translation>Band 3 Farbton</translation>
    </message>
    <message>
        <source>Band 3 width</source>
        <translation>Band 3 Breite</translation>
    </message>
    <message>
        <source>Band 3 feather</source>
        <translation>Band 3 Auslauf</translation>
    </message>
    <message>
        <source>Band 3 shift</source>
        <translation>Band 3 Drehung</translation>
    </message>
    <message>
        <source>Band 3 saturation</source>
        <translation>Band 3 Sättigung</translation>
    </message>
    <message>
        <source>Band 3 lightness</source>
        <translation>Band 3 Helligkeit</translation>
    </message>
    <message>
        <source>Band 4 hue</source>
        <translation>Band 4 Farbton</translation>
    </message>
    <message>
        <source>Band 4 width</source>
        <translation>Band 4 Breite</translation>
    </message>
    <message>
        <source>Band 4 feather</source>
        <translation>Band 4 Auslauf</translation>
    </message>
    <message>
        <source>Band 4 shift</source>
        <translation>Band 4 Drehung</translation>
    </message>
    <message>
        <source>Band 4 saturation</source>
        <translation>Band 4 Sättigung</translation>
    </message>
    <message>
        <source>Band 4 lightness</source>
        <translation>Band 4 Helligkeit</translation>
    </message>
    <message>
        <source>Band 5 hue</source>
        <translation>Band 5 Farbton</translation>
    </message>
    <message>
        <source>Band 5 width</source>
        <translation>Band 5 Breite</translation>
    </message>
    <message>
        <source>Band 5 feather</source>
        <translation>Band 5 Auslauf</translation>
    </message>
    <message>
        <source>Band 5 shift</source>
        <translation>Band 5 Drehung</translation>
    </message>
    <message>
        <source>Band 5 saturation</source>
        <translation>Band 5 Sättigung</translation>
    </message>
    <message>
        <source>Band 5 lightness</source>
        <translation>Band 5 Helligkeit</translation>
    </message>
    <message>
        <source>Band 6 hue</source>
        <translation>Band 6 Farbton</translation>
    </message>
    <message>
        <source>Band 6 width</source>
        <translation>Band 6 Breite</translation>
    </message>
    <message>
        <source>Band 6 feather</source>
        <translation>Band 6 Auslauf</translation>
    </message>
    <message>
        <source>Band 6 shift</source>
        <translation>Band 6 Drehung</translation>
    </message>
    <message>
        <source>Band 6 saturation</source>
        <translation>Band 6 Sättigung</translation>
    </message>
    <message>
        <source>Band 6 lightness</source>
        <translation>Band 6 Helligkeit</translation>
    </message>
    <message>
        <source>Band 7 hue</source>
        <translation>Band 7 Farbton</translation>
    </message>
    <message>
        <source>Band 7 width</source>
        <translation>Band 7 Breite</translation>
    </message>
    <message>
        <source>Band 7 feather</source>
        <translation>Band 7 Auslauf</translation>
    </message>
    <message>
        <source>Band 7 shift</source>
        <translation>Band 7 Drehung</translation>
    </message>
    <message>
        <source>Band 7 saturation</source>
        <translation>Band 7 Sättigung</translation>
    </message>
    <message>
        <source>Band 7 lightness</source>
        <translation>Band 7 Helligkeit</translation>
    </message>
    <message>
        <source>Band 8 hue</source>
        <translation>Band 8 Farbton</translation>
    </message>
    <message>
        <source>Band 8 width</source>
        <translation>Band 8 Breite</translation>
    </message>
    <message>
        <source>Band 8 feather</source>
        <translation>Band 8 Auslauf</translation>
    </message>
    <message>
        <source>Band 8 shift</source>
        <translation>Band 8 Drehung</translation>
    </message>
    <message>
        <source>Band 8 saturation</source>
        <translation>Band 8 Sättigung</translation>
    </message>
    <message>
        <source>Band 8 lightness</source>
        <translation>Band 8 Helligkeit</translation>
    </message>
    <message>
        <source>Band 9 hue</source>
        <translation>Band 9 Farbton</translation>
    </message>
    <message>
        <source>Band 9 width</source>
        <translation>Band 9 Breite</translation>
    </message>
    <message>
        <source>Band 9 feather</source>
        <translation>Band 9 Auslauf</translation>
    </message>
    <message>
        <source>Band 9 shift</source>
        <translation>Band 9 Drehung</translation>
    </message>
    <message>
        <source>Band 9 saturation</source>
        <translation>Band 9 Sättigung</translation>
    </message>
    <message>
        <source>Band 9 lightness</source>
        <translation>Band 9 Helligkeit</translation>
    </message>
    <message>
        <source>Band 10 hue</source>
        <translation>Band 10 Farbton</translation>
    </message>
    <message>
        <source>Band 10 width</source>
        <translation>Band 10 Breite</translation>
    </message>
    <message>
        <source>Band 10 feather</source>
        <translation>Band 10 Auslauf</translation>
    </message>
    <message>
        <source>Band 10 shift</source>
        <translation>Band 10 Drehung</translation>
    </message>
    <message>
        <source>Band 10 saturation</source>
        <translation>Band 10 Sättigung</translation>
    </message>
    <message>
        <source>Band 10 lightness</source>
        <translation>Band 10 Helligkeit</translation>
    </message>
    <message>
        <source>Band 11 hue</source>
        <translation>Band 11 Farbton</translation>
    </message>
    <message>
        <source>Band 11 width</source>
        <translation>Band 11 Breite</translation>
    </message>
    <message>
        <source>Band 11 feather</source>
        <translation>Band 11 Auslauf</translation>
    </message>
    <message>
        <source>Band 11 shift</source>
        <translation>Band 11 Drehung</translation>
    </message>
    <message>
        <source>Band 11 saturation</source>
        <translation>Band 11 Sättigung</translation>
    </message>
    <message>
        <source>Band 11 lightness</source>
        <translation>Band 11 Helligkeit</translation>
    </message>
    <message>
        <source>Band 12 hue</source>
        <translation>Band 12 Farbton</translation>
    </message>
    <message>
        <source>Band 12 width</source>
        <translation>Band 12 Breite</translation>
    </message>
    <message>
        <source>Band 12 feather</source>
        <translation>Band 12 Auslauf</translation>
    </message>
    <message>
        <source>Band 12 shift</source>
        <translation>Band 12 Drehung</translation>
    </message>
    <message>
        <source>Band 12 saturation</source>
        <translation>Band 12 Sättigung</translation>
    </message>
    <message>
        <source>Band 12 lightness</source>
        <translation>Band 12 Helligkeit</translation>
    </message>
    <message>
        <source>Push table</source>
        <translation>Schubtafel</translation>
    </message>
    <message>
        <source>Pushes ranges of tones and families of hues toward red or cyan, green or magenta, blue or yellow, and in density.</source>
        <translation>Schiebt Tonbereiche und Familien von Farbtönen nach Rot oder Cyan, Grün oder Magenta, Blau oder Gelb, und in der Dichte.</translation>
    </message>
    <message>
        <source>Hold luma</source>
        <translation>Luma halten</translation>
    </message>
    <message>
        <source>Colours move, lightness stays.</source>
        <translation>Farben bewegen sich, die Helligkeit bleibt.</translation>
    </message>
    <message>
        <source>Row 1 takes</source>
        <translation>Zeile 1 nimmt</translation>
    </message>
    <message>
        <source>Whether the row is a range of tones or a family of hues.</source>
        <translation>Ob die Zeile ein Bereich von Tönen oder eine Familie von Farbtönen ist.</translation>
    </message>
    <message>
        <source>Tones</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Hues</source>
        <translation>Farbtöne</translation>
    </message>
    <message>
        <source>Row 1 tones from</source>
        <translation>Zeile 1 Töne ab</translation>
    </message>
    <message>
        <source>The dark end of the range.</source>
        <translation>Das dunkle Ende des Bereichs.</translation>
    </message>
    <message>
        <source>Row 1 tones to</source>
        <translation>Zeile 1 Töne bis</translation>
    </message>
    <message>
        <source>The light end of the range.</source>
        <translation>Das helle Ende des Bereichs.</translation>
    </message>
    <message>
        <source>Row 1 softness</source>
        <translation>Zeile 1 Weichheit</translation>
    </message>
    <message>
        <source>How gently the range ends.</source>
        <translation>Wie sanft der Bereich endet.</translation>
    </message>
    <message>
        <source>Row 1 hue</source>
        <translation>Zeile 1 Farbton</translation>
    </message>
    <message>
        <source>Row 1 width</source>
        <translation>Zeile 1 Breite</translation>
    </message>
    <message>
        <source>How many degrees of hue it takes whole.</source>
        <translation>Wie viele Grad Farbton sie ganz nimmt.</translation>
    </message>
    <message>
        <source>Row 1 feather</source>
        <translation>Zeile 1 Auslauf</translation>
    </message>
    <message>
        <source>How gently the family ends.</source>
        <translation>Wie sanft die Familie endet.</translation>
    </message>
    <message>
        <source>Row 1 cyan–red</source>
        <translation>Zeile 1 Cyan–Rot</translation>
    </message>
    <message>
        <source>Left toward cyan, right toward red.</source>
        <translation>Links Richtung Cyan, rechts Richtung Rot.</translation>
    </message>
    <message>
        <source>Row 1 magenta–green</source>
        <translation>Zeile 1 Magenta–Grün</translation>
    </message>
    <message>
        <source>Left toward magenta, right toward green.</source>
        <translation>Links Richtung Magenta, rechts Richtung Grün.</translation>
    </message>
    <message>
        <source>Row 1 yellow–blue</source>
        <translation>Zeile 1 Gelb–Blau</translation>
    </message>
    <message>
        <source>Left toward yellow, right toward blue.</source>
        <translation>Links Richtung Gelb, rechts Richtung Blau.</translation>
    </message>
    <message>
        <source>Row 1 density</source>
        <translation>Zeile 1 Dichte</translation>
    </message>
    <message>
        <source>Left lighter, right denser.</source>
        <translation>Links heller, rechts dichter.</translation>
    </message>
    <message>
        <source>Row 2 takes</source>
        <translation>Zeile 2 nimmt</translation>
    </message>
    <message>
        <source>Row 2 tones from</source>
        <translation>Zeile 2 Töne ab</translation>
    </message>
    <message>
        <source>Row 2 tones to</source>
        <translation>Zeile 2 Töne bis</translation>
    </message>
    <message>
        <source>Row 2 softness</source>
        <translation>Zeile 2 Weichheit</translation>
    </message>
    <message>
        <source>Row 2 hue</source>
        <translation>Zeile 2 Farbton</translation>
    </message>
    <message>
        <source>Row 2 width</source>
        <translation>Zeile 2 Breite</translation>
    </message>
    <message>
        <source>Row 2 feather</source>
        <translation>Zeile 2 Auslauf</translation>
    </message>
    <message>
        <source>Row 2 cyan–red</source>
        <translation>Zeile 2 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 2 magenta–green</source>
        <translation>Zeile 2 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 2 yellow–blue</source>
        <translation>Zeile 2 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 2 density</source>
        <translation>Zeile 2 Dichte</translation>
    </message>
    <message>
        <source>Row 3 takes</source>
        <translation>Zeile 3 nimmt</translation>
    </message>
    <message>
        <source>Row 3 tones from</source>
        <translation>Zeile 3 Töne ab</translation>
    </message>
    <message>
        <source>Row 3 tones to</source>
        <translation>Zeile 3 Töne bis</translation>
    </message>
    <message>
        <source>Row 3 softness</source>
        <translation>Zeile 3 Weichheit</translation>
    </message>
    <message>
        <source>Row 3 hue</source>
        <translation>Zeile 3 Farbton</translation>
    </message>
    <message>
        <source>Row 3 width</source>
        <translation>Zeile 3 Breite</translation>
    </message>
    <message>
        <source>Row 3 feather</source>
        <translation>Zeile 3 Auslauf</translation>
    </message>
    <message>
        <source>Row 3 cyan–red</source>
        <translation>Zeile 3 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 3 magenta–green</source>
        <translation>Zeile 3 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 3 yellow–blue</source>
        <translation>Zeile 3 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 3 density</source>
        <translation>Zeile 3 Dichte</translation>
    </message>
    <message>
        <source>Row 4 takes</source>
        <translation>Zeile 4 nimmt</translation>
    </message>
    <message>
        <source>Row 4 tones from</source>
        <translation>Zeile 4 Töne ab</translation>
    </message>
    <message>
        <source>Row 4 tones to</source>
        <translation>Zeile 4 Töne bis</translation>
    </message>
    <message>
        <source>Row 4 softness</source>
        <translation>Zeile 4 Weichheit</translation>
    </message>
    <message>
        <source>Row 4 hue</source>
        <translation>Zeile 4 Farbton</translation>
    </message>
    <message>
        <source>Row 4 width</source>
        <translation>Zeile 4 Breite</translation>
    </message>
    <message>
        <source>Row 4 feather</source>
        <translation>Zeile 4 Auslauf</translation>
    </message>
    <message>
        <source>Row 4 cyan–red</source>
        <translation>Zeile 4 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 4 magenta–green</source>
        <translation>Zeile 4 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 4 yellow–blue</source>
        <translation>Zeile 4 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 4 density</source>
        <translation>Zeile 4 Dichte</translation>
    </message>
    <message>
        <source>Row 5 takes</source>
        <translation>Zeile 5 nimmt</translation>
    </message>
    <message>
        <source>Row 5 tones from</source>
        <translation>Zeile 5 Töne ab</translation>
    </message>
    <message>
        <source>Row 5 tones to</source>
        <translation>Zeile 5 Töne bis</translation>
    </message>
    <message>
        <source>Row 5 softness</source>
        <translation>Zeile 5 Weichheit</translation>
    </message>
    <message>
        <source>Row 5 hue</source>
        <translation>Zeile 5 Farbton</translation>
    </message>
    <message>
        <source>Row 5 width</source>
        <translation>Zeile 5 Breite</translation>
    </message>
    <message>
        <source>Row 5 feather</source>
        <translation>Zeile 5 Auslauf</translation>
    </message>
    <message>
        <source>Row 5 cyan–red</source>
        <translation>Zeile 5 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 5 magenta–green</source>
        <translation>Zeile 5 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 5 yellow–blue</source>
        <translation>Zeile 5 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 5 density</source>
        <translation>Zeile 5 Dichte</translation>
    </message>
    <message>
        <source>Row 6 takes</source>
        <translation>Zeile 6 nimmt</translation>
    </message>
    <message>
        <source>Row 6 tones from</source>
        <translation>Zeile 6 Töne ab</translation>
    </message>
    <message>
        <source>Row 6 tones to</source>
        <translation>Zeile 6 Töne bis</translation>
    </message>
    <message>
        <source>Row 6 softness</source>
        <translation>Zeile 6 Weichheit</translation>
    </message>
    <message>
        <source>Row 6 hue</source>
        <translation>Zeile 6 Farbton</translation>
    </message>
    <message>
        <source>Row 6 width</source>
        <translation>Zeile 6 Breite</translation>
    </message>
    <message>
        <source>Row 6 feather</source>
        <translation>Zeile 6 Auslauf</translation>
    </message>
    <message>
        <source>Row 6 cyan–red</source>
        <translation>Zeile 6 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 6 magenta–green</source>
        <translation>Zeile 6 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 6 yellow–blue</source>
        <translation>Zeile 6 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 6 density</source>
        <translation>Zeile 6 Dichte</translation>
    </message>
    <message>
        <source>Row 7 takes</source>
        <translation>Zeile 7 nimmt</translation>
    </message>
    <message>
        <source>Row 7 tones from</source>
        <translation>Zeile 7 Töne ab</translation>
    </message>
    <message>
        <source>Row 7 tones to</source>
        <translation>Zeile 7 Töne bis</translation>
    </message>
    <message>
        <source>Row 7 softness</source>
        <translation>Zeile 7 Weichheit</translation>
    </message>
    <message>
        <source>Row 7 hue</source>
        <translation>Zeile 7 Farbton</translation>
    </message>
    <message>
        <source>Row 7 width</source>
        <translation>Zeile 7 Breite</translation>
    </message>
    <message>
        <source>Row 7 feather</source>
        <translation>Zeile 7 Auslauf</translation>
    </message>
    <message>
        <source>Row 7 cyan–red</source>
        <translation>Zeile 7 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 7 magenta–green</source>
        <translation>Zeile 7 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 7 yellow–blue</source>
        <translation>Zeile 7 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 7 density</source>
        <translation>Zeile 7 Dichte</translation>
    </message>
    <message>
        <source>Row 8 takes</source>
        <translation>Zeile 8 nimmt</translation>
    </message>
    <message>
        <source>Row 8 tones from</source>
        <translation>Zeile 8 Töne ab</translation>
    </message>
    <message>
        <source>Row 8 tones to</source>
        <translation>Zeile 8 Töne bis</translation>
    </message>
    <message>
        <source>Row 8 softness</source>
        <translation>Zeile 8 Weichheit</translation>
    </message>
    <message>
        <source>Row 8 hue</source>
        <translation>Zeile 8 Farbton</translation>
    </message>
    <message>
        <source>Row 8 width</source>
        <translation>Zeile 8 Breite</translation>
    </message>
    <message>
        <source>Row 8 feather</source>
        <translation>Zeile 8 Auslauf</translation>
    </message>
    <message>
        <source>Row 8 cyan–red</source>
        <translation>Zeile 8 Cyan–Rot</translation>
    </message>
    <message>
        <source>Row 8 magenta–green</source>
        <translation>Zeile 8 Magenta–Grün</translation>
    </message>
    <message>
        <source>Row 8 yellow–blue</source>
        <translation>Zeile 8 Gelb–Blau</translation>
    </message>
    <message>
        <source>Row 8 density</source>
        <translation>Zeile 8 Dichte</translation>
    </message>
    <message>
        <source>Saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Makes all colours stronger or quieter without changing how light they are.</source>
        <translation>Macht alle Farben kräftiger oder stiller, ohne zu ändern, wie hell sie sind.</translation>
    </message>
    <message>
        <source>To the right colours grow stronger, to the left quieter; at −100 the picture is grey.</source>
        <translation>Nach rechts werden Farben kräftiger, nach links stiller; bei −100 ist das Bild grau.</translation>
    </message>
    <message>
        <source>Muted colours</source>
        <translation>Matte Farben</translation>
    </message>
    <message>
        <source>Strengthens or quiets what has little colour.</source>
        <translation>Stärkt oder dämpft, was wenig Farbe hat.</translation>
    </message>
    <message>
        <source>Vivid colours</source>
        <translation>Lebhafte Farben</translation>
    </message>
    <message>
        <source>Strengthens or quiets what has much colour.</source>
        <translation>Stärkt oder dämpft, was viel Farbe hat.</translation>
    </message>
    <message>
        <source>Curve over chroma</source>
        <translation>Kurve über das Chroma</translation>
    </message>
    <message>
        <source>Across: how strong a colour is, grey at the left. Up: how strong it becomes.</source>
        <translation>Waagrecht: wie kräftig eine Farbe ist, links Grau. Senkrecht: wie kräftig sie wird.</translation>
    </message>
    <message>
        <source>Guarded hue</source>
        <translation>Schutzton</translation>
    </message>
    <message>
        <source>Guard width</source>
        <translation>Schutzbreite</translation>
    </message>
    <message>
        <source>How many degrees of hue are guarded.</source>
        <translation>Wie viele Grad Farbton geschützt sind.</translation>
    </message>
    <message>
        <source>Guard</source>
        <translation>Schutz</translation>
    </message>
    <message>
        <source>How firmly the guarded hue is kept.</source>
        <translation>Wie fest der geschützte Farbton gehalten wird.</translation>
    </message>
    <message>
        <source>Primaries</source>
        <translation>Primärfarben</translation>
    </message>
    <message>
        <source>Turns and stretches the picture&apos;s red, green and blue; every other colour follows, white stays.</source>
        <translation>Dreht und dehnt Rot, Grün und Blau des Bildes; jede andere Farbe folgt, Weiß bleibt.</translation>
    </message>
    <message>
        <source>Red turn</source>
        <translation>Rot Drehung</translation>
    </message>
    <message>
        <source>Turns this corner&apos;s colours toward their neighbours.</source>
        <translation>Dreht die Farben dieser Ecke zu ihren Nachbarn.</translation>
    </message>
    <message>
        <source>Red reach</source>
        <translation>Rot Reichweite</translation>
    </message>
    <message>
        <source>Draws this corner&apos;s colours toward white, or away from it.</source>
        <translation>Zieht die Farben dieser Ecke zum Weiß oder davon weg.</translation>
    </message>
    <message>
        <source>Green turn</source>
        <translation>Grün Drehung</translation>
    </message>
    <message>
        <source>Green reach</source>
        <translation>Grün Reichweite</translation>
    </message>
    <message>
        <source>Blue turn</source>
        <translation>Blau Drehung</translation>
    </message>
    <message>
        <source>Blue reach</source>
        <translation>Blau Reichweite</translation>
    </message>
    <message>
        <source>All turn</source>
        <translation>Alle Drehung</translation>
    </message>
    <message>
        <source>All reach</source>
        <translation>Alle Reichweite</translation>
    </message>
    <message>
        <source>Channel mix</source>
        <translation>Kanalmischung</translation>
    </message>
    <message>
        <source>Makes each channel anew from shares of all three.</source>
        <translation>Macht jeden Kanal neu aus Anteilen aller drei.</translation>
    </message>
    <message>
        <source>Red from red</source>
        <translation>Rot aus Rot</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s red goes into red.</source>
        <translation>Wie viel vom Rot des Bildes ins Rot geht.</translation>
    </message>
    <message>
        <source>Red from green</source>
        <translation>Rot aus Grün</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s green goes into red.</source>
        <translation>Wie viel vom Grün des Bildes ins Rot geht.</translation>
    </message>
    <message>
        <source>Red from blue</source>
        <translation>Rot aus Blau</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s blue goes into red.</source>
        <translation>Wie viel vom Blau des Bildes ins Rot geht.</translation>
    </message>
    <message>
        <source>Red offset</source>
        <translation>Rot Versatz</translation>
    </message>
    <message>
        <source>Added to red everywhere.</source>
        <translation>Wird überall zum Rot hinzugefügt.</translation>
    </message>
    <message>
        <source>Green from red</source>
        <translation>Grün aus Rot</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s red goes into green.</source>
        <translation>Wie viel vom Rot des Bildes ins Grün geht.</translation>
    </message>
    <message>
        <source>Green from green</source>
        <translation>Grün aus Grün</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s green goes into green.</source>
        <translation>Wie viel vom Grün des Bildes ins Grün geht.</translation>
    </message>
    <message>
        <source>Green from blue</source>
        <translation>Grün aus Blau</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s blue goes into green.</source>
        <translation>Wie viel vom Blau des Bildes ins Grün geht.</translation>
    </message>
    <message>
        <source>Green offset</source>
        <translation>Grün Versatz</translation>
    </message>
    <message>
        <source>Added to green everywhere.</source>
        <translation>Wird überall zum Grün hinzugefügt.</translation>
    </message>
    <message>
        <source>Blue from red</source>
        <translation>Blau aus Rot</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s red goes into blue.</source>
        <translation>Wie viel vom Rot des Bildes ins Blau geht.</translation>
    </message>
    <message>
        <source>Blue from green</source>
        <translation>Blau aus Grün</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s green goes into blue.</source>
        <translation>Wie viel vom Grün des Bildes ins Blau geht.</translation>
    </message>
    <message>
        <source>Blue from blue</source>
        <translation>Blau aus Blau</translation>
    </message>
    <message>
        <source>How much of the picture&apos;s blue goes into blue.</source>
        <translation>Wie viel vom Blau des Bildes ins Blau geht.</translation>
    </message>
    <message>
        <source>Blue offset</source>
        <translation>Blau Versatz</translation>
    </message>
    <message>
        <source>Added to blue everywhere.</source>
        <translation>Wird überall zum Blau hinzugefügt.</translation>
    </message>
    <message>
        <source>Keep sums</source>
        <translation>Summen halten</translation>
    </message>
    <message>
        <source>Scales each row so that greys keep their lightness.</source>
        <translation>Skaliert jede Zeile so, dass Grautöne ihre Helligkeit behalten.</translation>
    </message>
    <message>
        <source>Monochrome</source>
        <translation>Monochrom</translation>
    </message>
    <message>
        <source>Takes the colour away; how light each hue comes out is yours to say.</source>
        <translation>Nimmt die Farbe weg; wie hell jeder Farbton herauskommt, ist frei wählbar.</translation>
    </message>
    <message>
        <source>Amount</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>How far the picture goes toward monochrome.</source>
        <translation>Wie weit das Bild monochrom wird.</translation>
    </message>
    <message>
        <source>Reds</source>
        <translation>Rottöne</translation>
    </message>
    <message>
        <source>How light this family of hues comes out.</source>
        <translation>Wie hell diese Familie von Farbtönen herauskommt.</translation>
    </message>
    <message>
        <source>Oranges</source>
        <translation>Orangetöne</translation>
    </message>
    <message>
        <source>Yellows</source>
        <translation>Gelbtöne</translation>
    </message>
    <message>
        <source>Greens</source>
        <translation>Grüntöne</translation>
    </message>
    <message>
        <source>Cyans</source>
        <translation>Cyantöne</translation>
    </message>
    <message>
        <source>Blues</source>
        <translation>Blautöne</translation>
    </message>
    <message>
        <source>Violets</source>
        <translation>Violetttöne</translation>
    </message>
    <message>
        <source>Magentas</source>
        <translation>Magentatöne</translation>
    </message>
    <message>
        <source>Filter strength</source>
        <translation>Filterstärke</translation>
    </message>
    <message>
        <source>How much of the settings by hue is felt.</source>
        <translation>Wie stark die Einstellungen nach Farbton wirken.</translation>
    </message>
    <message>
        <source>Tint hue</source>
        <translation>Tönungsfarbe</translation>
    </message>
    <message>
        <source>Tint amount</source>
        <translation>Tönungsstärke</translation>
    </message>
    <message>
        <source>How much of it; black and white stay neutral.</source>
        <translation>Wie viel davon; Schwarz und Weiß bleiben neutral.</translation>
    </message>
    <message>
        <source>Gradient map</source>
        <translation>Verlaufstonung</translation>
    </message>
    <message>
        <source>Gives every tone the colour of a gradient, and lays it over the picture.</source>
        <translation>Gibt jedem Ton die Farbe eines Verlaufs und legt sie über das Bild.</translation>
    </message>
    <message>
        <source>How much of the gradient is felt.</source>
        <translation>Wie stark der Verlauf wirkt.</translation>
    </message>
    <message>
        <source>Blend</source>
        <translation>Mischart</translation>
    </message>
    <message>
        <source>How the gradient&apos;s colours are laid over the picture.</source>
        <translation>Wie die Farben des Verlaufs über das Bild gelegt werden.</translation>
    </message>
    <message>
        <source>Normal</source>
        <translation>Normal</translation>
    </message>
    <message>
        <source>Multiply</source>
        <translation>Multiplizieren</translation>
    </message>
    <message>
        <source>Screen</source>
        <translation>Negativ multiplizieren</translation>
    </message>
    <message>
        <source>Overlay</source>
        <translation>Überlagern</translation>
    </message>
    <message>
        <source>Soft light</source>
        <translation>Weiches Licht</translation>
    </message>
    <message>
        <source>Hard light</source>
        <translation>Hartes Licht</translation>
    </message>
    <message>
        <source>Darken</source>
        <translation>Abdunkeln</translation>
    </message>
    <message>
        <source>Lighten</source>
        <translation>Aufhellen</translation>
    </message>
    <message>
        <source>Difference</source>
        <translation>Differenz</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Luminosity</source>
        <translation>Leuchtkraft</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Farbraum</translation>
    </message>
    <message>
        <source>In which space the colours between two stops are found.</source>
        <translation>In welchem Raum die Farben zwischen zwei Stützen gefunden werden.</translation>
    </message>
    <message>
        <source>Perceptual</source>
        <translation>Empfindung</translation>
    </message>
    <message>
        <source>As encoded</source>
        <translation>Wie kodiert</translation>
    </message>
    <message>
        <source>Linear light</source>
        <translation>Lineares Licht</translation>
    </message>
    <message>
        <source>How many of the stops below count.</source>
        <translation>Wie viele der Stützen unten zählen.</translation>
    </message>
    <message>
        <source>Stop 1 position</source>
        <translation>Stütze 1 Lage</translation>
    </message>
    <message>
        <source>The tone that takes this stop&apos;s colour.</source>
        <translation>Der Ton, der die Farbe dieser Stütze bekommt.</translation>
    </message>
    <message>
        <source>Stop 1 red</source>
        <translation>Stütze 1 Rot</translation>
    </message>
    <message>
        <source>The red of this stop&apos;s colour.</source>
        <translation>Das Rot der Farbe dieser Stütze.</translation>
    </message>
    <message>
        <source>Stop 1 green</source>
        <translation>Stütze 1 Grün</translation>
    </message>
    <message>
        <source>The green of this stop&apos;s colour.</source>
        <translation>Das Grün der Farbe dieser Stütze.</translation>
    </message>
    <message>
        <source>Stop 1 blue</source>
        <translation>Stütze 1 Blau</translation>
    </message>
    <message>
        <source>The blue of this stop&apos;s colour.</source>
        <translation>Das Blau der Farbe dieser Stütze.</translation>
    </message>
    <message>
        <source>Stop 2 position</source>
        <translation>Stütze 2 Lage</translation>
    </message>
    <message>
        <source>Stop 2 red</source>
        <translation>Stütze 2 Rot</translation>
    </message>
    <message>
        <source>Stop 2 green</source>
        <translation>Stütze 2 Grün</translation>
    </message>
    <message>
        <source>Stop 2 blue</source>
        <translation>Stütze 2 Blau</translation>
    </message>
    <message>
        <source>Stop 3 position</source>
        <translation>Stütze 3 Lage</translation>
    </message>
    <message>
        <source>Stop 3 red</source>
        <translation>Stütze 3 Rot</translation>
    </message>
    <message>
        <source>Stop 3 green</source>
        <translation>Stütze 3 Grün</translation>
    </message>
    <message>
        <source>Stop 3 blue</source>
        <translation>Stütze 3 Blau</translation>
    </message>
    <message>
        <source>Stop 4 position</source>
        <translation>Stütze 4 Lage</translation>
    </message>
    <message>
        <source>Stop 4 red</source>
        <translation>Stütze 4 Rot</translation>
    </message>
    <message>
        <source>Stop 4 green</source>
        <translation>Stütze 4 Grün</translation>
    </message>
    <message>
        <source>Stop 4 blue</source>
        <translation>Stütze 4 Blau</translation>
    </message>
    <message>
        <source>Stop 5 position</source>
        <translation>Stütze 5 Lage</translation>
    </message>
    <message>
        <source>Stop 5 red</source>
        <translation>Stütze 5 Rot</translation>
    </message>
    <message>
        <source>Stop 5 green</source>
        <translation>Stütze 5 Grün</translation>
    </message>
    <message>
        <source>Stop 5 blue</source>
        <translation>Stütze 5 Blau</translation>
    </message>
    <message>
        <source>Stop 6 position</source>
        <translation>Stütze 6 Lage</translation>
    </message>
    <message>
        <source>Stop 6 red</source>
        <translation>Stütze 6 Rot</translation>
    </message>
    <message>
        <source>Stop 6 green</source>
        <translation>Stütze 6 Grün</translation>
    </message>
    <message>
        <source>Stop 6 blue</source>
        <translation>Stütze 6 Blau</translation>
    </message>
    <message>
        <source>Stop 7 position</source>
        <translation>Stütze 7 Lage</translation>
    </message>
    <message>
        <source>Stop 7 red</source>
        <translation>Stütze 7 Rot</translation>
    </message>
    <message>
        <source>Stop 7 green</source>
        <translation>Stütze 7 Grün</translation>
    </message>
    <message>
        <source>Stop 7 blue</source>
        <translation>Stütze 7 Blau</translation>
    </message>
    <message>
        <source>Stop 8 position</source>
        <translation>Stütze 8 Lage</translation>
    </message>
    <message>
        <source>Stop 8 red</source>
        <translation>Stütze 8 Rot</translation>
    </message>
    <message>
        <source>Stop 8 green</source>
        <translation>Stütze 8 Grün</translation>
    </message>
    <message>
        <source>Stop 8 blue</source>
        <translation>Stütze 8 Blau</translation>
    </message>
    <message>
        <source>Film response</source>
        <translation>Filmcharakter</translation>
    </message>
    <message>
        <source>Answers to light as film and print do: with a toe, a straight part and a shoulder in each layer.</source>
        <translation>Antwortet auf Licht wie Film und Abzug: in jeder Schicht mit Fuß, geradem Teil und Schulter.</translation>
    </message>
    <message>
        <source>The character of film and print.</source>
        <translation>Der Charakter von Film und Abzug.</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keiner</translation>
    </message>
    <message>
        <source>Touring day</source>
        <translation>Reisetag</translation>
    </message>
    <message>
        <source>Matinee</source>
        <translation>Matinee</translation>
    </message>
    <message>
        <source>Straw hat</source>
        <translation>Strohhut</translation>
    </message>
    <message>
        <source>Harbour</source>
        <translation>Hafen</translation>
    </message>
    <message>
        <source>Fairground</source>
        <translation>Jahrmarkt</translation>
    </message>
    <message>
        <source>Washed linen</source>
        <translation>Gewaschenes Leinen</translation>
    </message>
    <message>
        <source>Night train</source>
        <translation>Nachtzug</translation>
    </message>
    <message>
        <source>Old programme</source>
        <translation>Altes Programmheft</translation>
    </message>
    <message>
        <source>Lantern slide</source>
        <translation>Laternenbild</translation>
    </message>
    <message>
        <source>Poster paint</source>
        <translation>Plakatfarbe</translation>
    </message>
    <message>
        <source>Meadow slide</source>
        <translation>Wiesendia</translation>
    </message>
    <message>
        <source>Winter slide</source>
        <translation>Winterdia</translation>
    </message>
    <message>
        <source>Ink</source>
        <translation>Tinte</translation>
    </message>
    <message>
        <source>Pewter</source>
        <translation>Zinn</translation>
    </message>
    <message>
        <source>Storm glass</source>
        <translation>Sturmglas</translation>
    </message>
    <message>
        <source>Chalk</source>
        <translation>Kreide</translation>
    </message>
    <message>
        <source>Film contrast</source>
        <translation>Filmkontrast</translation>
    </message>
    <message>
        <source>The slope of the film itself.</source>
        <translation>Die Steilheit des Films selbst.</translation>
    </message>
    <message>
        <source>Toe</source>
        <translation>Fuß</translation>
    </message>
    <message>
        <source>How gently the shadows end.</source>
        <translation>Wie sanft die Schatten enden.</translation>
    </message>
    <message>
        <source>Shoulder</source>
        <translation>Schulter</translation>
    </message>
    <message>
        <source>How gently the lights end.</source>
        <translation>Wie sanft die Lichter enden.</translation>
    </message>
    <message>
        <source>Coupling</source>
        <translation>Kopplung</translation>
    </message>
    <message>
        <source>How much the layers hold one another back: more makes colours stronger.</source>
        <translation>Wie stark die Schichten einander zurückhalten: mehr macht Farben kräftiger.</translation>
    </message>
    <message>
        <source>Print grade</source>
        <translation>Abzugshärte</translation>
    </message>
    <message>
        <source>The contrast of the print.</source>
        <translation>Der Kontrast des Abzugs.</translation>
    </message>
    <message>
        <source>Black lift</source>
        <translation>Schwarzanhebung</translation>
    </message>
    <message>
        <source>Makes the blacks more or less matte; the anchored grey stays.</source>
        <translation>Macht die Schwärzen mehr oder weniger matt; das verankerte Grau bleibt.</translation>
    </message>
    <message>
        <source>Crossover red</source>
        <translation>Kreuzung Rot</translation>
    </message>
    <message>
        <source>Right: red lights over cyan shadows; the anchored grey stays.</source>
        <translation>Rechts: rote Lichter über cyanfarbenen Schatten; das verankerte Grau bleibt.</translation>
    </message>
    <message>
        <source>Crossover blue</source>
        <translation>Kreuzung Blau</translation>
    </message>
    <message>
        <source>Right: blue lights over yellow shadows; left: warm lights over blue shadows.</source>
        <translation>Rechts: blaue Lichter über gelben Schatten; links: warme Lichter über blauen Schatten.</translation>
    </message>
    <message>
        <source>Printer red</source>
        <translation>Kopier-Rot</translation>
    </message>
    <message>
        <source>Red light in the print.</source>
        <translation>Rotes Licht im Abzug.</translation>
    </message>
    <message>
        <source>Printer green</source>
        <translation>Kopier-Grün</translation>
    </message>
    <message>
        <source>Green light in the print.</source>
        <translation>Grünes Licht im Abzug.</translation>
    </message>
    <message>
        <source>Printer blue</source>
        <translation>Kopier-Blau</translation>
    </message>
    <message>
        <source>Blue light in the print.</source>
        <translation>Blaues Licht im Abzug.</translation>
    </message>
    <message>
        <source>Anchored grey</source>
        <translation>Ankergrau</translation>
    </message>
    <message>
        <source>The grey, in linear light, that stays where it is.</source>
        <translation>Das Grau, in linearem Licht, das bleibt, wo es ist.</translation>
    </message>
    <message>
        <source>LUT</source>
        <translation>LUT</translation>
    </message>
    <message>
        <source>Passes every colour through a look-up table from a file, which is kept inside the grade.</source>
        <translation>Führt jede Farbe durch eine Nachschlagetabelle aus einer Datei, die in der Gestaltung mitgeführt wird.</translation>
    </message>
    <message>
        <source>The look-up table, kept inside the grade whatever becomes of its file.</source>
        <translation>Die Nachschlagetabelle; sie bleibt in der Gestaltung, was auch aus ihrer Datei wird.</translation>
    </message>
    <message>
        <source>Reads</source>
        <translation>Liest</translation>
    </message>
    <message>
        <source>The space in which the table expects its colours.</source>
        <translation>Der Raum, in dem die Tabelle ihre Farben erwartet.</translation>
    </message>
    <message>
        <source>sRGB</source>
        <translation>sRGB</translation>
    </message>
    <message>
        <source>Rec. 709</source>
        <translation>Rec. 709</translation>
    </message>
    <message>
        <source>Display P3</source>
        <translation>Display P3</translation>
    </message>
    <message>
        <source>Linear</source>
        <translation>Linear</translation>
    </message>
    <message>
        <source>ACEScct</source>
        <translation>ACEScct</translation>
    </message>
    <message>
        <source>Writes</source>
        <translation>Schreibt</translation>
    </message>
    <message>
        <source>The space in which the table gives its colours.</source>
        <translation>Der Raum, in dem die Tabelle ihre Farben gibt.</translation>
    </message>
    <message>
        <source>Interpolation</source>
        <translation>Interpolation</translation>
    </message>
    <message>
        <source>Tetrahedral keeps greys cleaner; trilinear is what some older programs do.</source>
        <translation>Tetraedrisch hält Grautöne reiner; trilinear ist, was manche älteren Programme tun.</translation>
    </message>
    <message>
        <source>Tetrahedral</source>
        <translation>Tetraedrisch</translation>
    </message>
    <message>
        <source>Trilinear</source>
        <translation>Trilinear</translation>
    </message>
    <message>
        <source>Vignette</source>
        <translation>Vignette</translation>
    </message>
    <message>
        <source>Darkens or lightens the picture away from a place of your choice.</source>
        <translation>Macht das Bild von einer Stelle aus nach außen dunkler oder heller.</translation>
    </message>
    <message>
        <source>How much darker (left) or lighter (right) the outside becomes.</source>
        <translation>Wie viel dunkler (links) oder heller (rechts) das Äußere wird.</translation>
    </message>
    <message>
        <source>Centre across</source>
        <translation>Mitte waagrecht</translation>
    </message>
    <message>
        <source>Where the middle lies, from the left edge to the right.</source>
        <translation>Wo die Mitte liegt, vom linken Rand zum rechten.</translation>
    </message>
    <message>
        <source>Centre down</source>
        <translation>Mitte senkrecht</translation>
    </message>
    <message>
        <source>Where the middle lies, from the top edge to the bottom.</source>
        <translation>Wo die Mitte liegt, vom oberen Rand zum unteren.</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>How wide the untouched middle is; 100 reaches the sides.</source>
        <translation>Wie breit die unberührte Mitte ist; 100 reicht an die Seiten.</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>How high the untouched middle is; 100 reaches top and bottom.</source>
        <translation>Wie hoch die unberührte Mitte ist; 100 reicht bis oben und unten.</translation>
    </message>
    <message>
        <source>Turn</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Turns the ellipse.</source>
        <translation>Dreht die Ellipse.</translation>
    </message>
    <message>
        <source>Falloff</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>How gently the change sets in.</source>
        <translation>Wie sanft die Änderung einsetzt.</translation>
    </message>
    <message>
        <source>Spare lights</source>
        <translation>Lichter schonen</translation>
    </message>
    <message>
        <source>Keeps lights near the edge from being dimmed.</source>
        <translation>Bewahrt Lichter nahe am Rand vor dem Abdunkeln.</translation>
    </message>
    <message>
        <source>Reset the layer</source>
        <translation>Ebene zurücksetzen</translation>
    </message>
    <message>
        <source>Reset Prep</source>
        <translation>Vorbereitung zurücksetzen</translation>
    </message>
    <message>
        <source>Reset the Look</source>
        <translation>Look zurücksetzen</translation>
    </message>
    <message>
        <source>Reset Finish</source>
        <translation>Abschluss zurücksetzen</translation>
    </message>
    <message>
        <source>cannot write</source>
        <translation>nicht zu schreiben</translation>
    </message>
    <message>
        <source>there are no pictures to work on</source>
        <translation>es gibt keine Bilder zu bearbeiten</translation>
    </message>
    <message>
        <source>add pictures or a folder</source>
        <translation>Bilder oder einen Ordner hinzufügen</translation>
    </message>
    <message>
        <source>no look is chosen</source>
        <translation>kein Look ist gewählt</translation>
    </message>
    <message>
        <source>tick the pictures&apos; own grade or add a preset</source>
        <translation>die eigene Gestaltung der Bilder ankreuzen oder eine Vorgabe hinzufügen</translation>
    </message>
    <message>
        <source>the value does not fit the format</source>
        <translation>der Wert passt nicht zum Format</translation>
    </message>
    <message>
        <source>see docs/formats for what may stand there</source>
        <translation>docs/formats sagt, was dort stehen darf</translation>
    </message>
    <message>
        <source>the number is too large</source>
        <translation>die Zahl ist zu groß</translation>
    </message>
    <message>
        <source>write a number within the range of its parameter</source>
        <translation>eine Zahl im Bereich des Parameters schreiben</translation>
    </message>
    <message>
        <source>the JSON is nested too deeply</source>
        <translation>das JSON ist zu tief verschachtelt</translation>
    </message>
    <message>
        <source>this can&apos;t be a file of Baryton</source>
        <translation>das kann keine Datei von Baryton sein</translation>
    </message>
    <message>
        <source>line {}</source>
        <translation>Zeile {}</translation>
    </message>
    <message>
        <source>this is not valid JSON</source>
        <translation>das ist kein gültiges JSON</translation>
    </message>
    <message>
        <source>mend the line in a text editor, or take the file from a backup</source>
        <translation>die Zeile in einem Texteditor berichtigen oder die Datei aus einer Sicherung nehmen</translation>
    </message>
    <message>
        <source>a number in the file is too large</source>
        <translation>eine Zahl in der Datei ist zu groß</translation>
    </message>
    <message>
        <source>write numbers within the ranges of their parameters</source>
        <translation>Zahlen in den Bereichen ihrer Parameter schreiben</translation>
    </message>
    <message>
        <source>this is another kind of file (its &quot;format&quot; should be &quot;{}&quot;)</source>
        <translation>das ist eine Datei anderer Art (&quot;format&quot; müsste &quot;{}&quot; sein)</translation>
    </message>
    <message>
        <source>choose another file</source>
        <translation>eine andere Datei wählen</translation>
    </message>
    <message>
        <source>the file was written by a newer version ({}; this one reads up to {})</source>
        <translation>die Datei stammt von einer neueren Version ({}; diese liest bis {})</translation>
    </message>
    <message>
        <source>open it with the newer Baryton; the file was not changed</source>
        <translation>mit dem neueren Baryton öffnen; die Datei wurde nicht verändert</translation>
    </message>
    <message>
        <source>the LUT in the file is damaged</source>
        <translation>die LUT in der Datei ist beschädigt</translation>
    </message>
    <message>
        <source>add the LUT again from its own file</source>
        <translation>die LUT noch einmal aus ihrer eigenen Datei hinzufügen</translation>
    </message>
    <message>
        <source>the lower ends of the range must lie below the upper ones</source>
        <translation>die unteren Enden des Bereichs müssen unter den oberen liegen</translation>
    </message>
    <message>
        <source>write six numbers: three low, three high</source>
        <translation>sechs Zahlen schreiben: drei untere, drei obere</translation>
    </message>
    <message>
        <source>the LUT in the file has an impossible size</source>
        <translation>die LUT in der Datei hat eine unmögliche Größe</translation>
    </message>
    <message>
        <source>the preset has no name</source>
        <translation>die Vorgabe hat keinen Namen</translation>
    </message>
    <message>
        <source>add a &quot;name&quot;</source>
        <translation>&quot;name&quot; ergänzen</translation>
    </message>
    <message>
        <source>take the cover out, or write a JPEG as base64</source>
        <translation>das Titelbild herausnehmen oder ein JPEG als base64 schreiben</translation>
    </message>
    <message>
        <source>the cover is not a JPEG</source>
        <translation>das Titelbild ist kein JPEG</translation>
    </message>
    <message>
        <source>a grid of {} is outside 2…129</source>
        <translation>ein Gitter von {} liegt außerhalb von 2…129</translation>
    </message>
    <message>
        <source>choose 33, or 65 for a strong look</source>
        <translation>33 wählen, oder 65 für einen starken Look</translation>
    </message>
    <message>
        <source>the file is too short for its {} of {} lines</source>
        <translation>die Datei ist zu kurz für ihre {} von {} Zeilen</translation>
    </message>
    <message>
        <source>the {} ends after {} of {} lines</source>
        <translation>die {} endet nach {} von {} Zeilen</translation>
    </message>
    <message>
        <source>a line of the {} must hold three numbers, this one holds {}</source>
        <translation>eine Zeile der {} muss drei Zahlen enthalten, diese enthält {}</translation>
    </message>
    <message>
        <source>{} needs three numbers</source>
        <translation>{} braucht drei Zahlen</translation>
    </message>
    <message>
        <source>{} needs two numbers</source>
        <translation>{} braucht zwei Zahlen</translation>
    </message>
    <message>
        <source>the domain&apos;s lower end does not lie below its upper end</source>
        <translation>das untere Ende des Bereichs liegt nicht unter dem oberen</translation>
    </message>
    <message>
        <source>the file has a head but no table</source>
        <translation>die Datei hat einen Kopf, aber keine Tabelle</translation>
    </message>
    <message>
        <source>{} needs one number</source>
        <translation>{} braucht eine Zahl</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a word of this format</source>
        <translation>&quot;{}&quot; ist kein Wort dieses Formats</translation>
    </message>
    <message>
        <source>choose a .cube file, or take the line out</source>
        <translation>eine .cube-Datei wählen oder die Zeile herausnehmen</translation>
    </message>
    <message>
        <source>the table comes before its size (LUT_1D_SIZE or LUT_3D_SIZE)</source>
        <translation>die Tabelle steht vor ihrer Größe (LUT_1D_SIZE oder LUT_3D_SIZE)</translation>
    </message>
    <message>
        <source>1D table</source>
        <translation>1D-Tabelle</translation>
    </message>
    <message>
        <source>3D table</source>
        <translation>3D-Tabelle</translation>
    </message>
    <message>
        <source>there is more data than the size says</source>
        <translation>es sind mehr Daten, als die Größe sagt</translation>
    </message>
    <message>
        <source>this is not a text file, so it is no LUT</source>
        <translation>das ist keine Textdatei, also keine LUT</translation>
    </message>
    <message>
        <source>the file holds no LUT</source>
        <translation>die Datei enthält keine LUT</translation>
    </message>
    <message>
        <source>the file has no line of grid positions</source>
        <translation>die Datei hat keine Zeile mit Gitterstellen</translation>
    </message>
    <message>
        <source>Mesh needs two numbers</source>
        <translation>Mesh braucht zwei Zahlen</translation>
    </message>
    <message>
        <source>choose a .3dl file, or take the line out</source>
        <translation>eine .3dl-Datei wählen oder die Zeile herausnehmen</translation>
    </message>
    <message>
        <source>the line of grid positions is missing</source>
        <translation>die Zeile mit den Gitterstellen fehlt</translation>
    </message>
    <message>
        <source>there are more than 256 grid positions</source>
        <translation>es sind mehr als 256 Gitterstellen</translation>
    </message>
    <message>
        <source>the grid positions do not rise</source>
        <translation>die Gitterstellen steigen nicht</translation>
    </message>
    <message>
        <source>the grid positions are not evenly spaced</source>
        <translation>die Gitterstellen liegen nicht in gleichen Abständen</translation>
    </message>
    <message>
        <source>only evenly spaced grids are read: export it again with one</source>
        <translation>nur gleichmäßige Gitter werden gelesen: mit einem solchen noch einmal ausgeben</translation>
    </message>
    <message>
        <source>the file is too short for its grid of {}³</source>
        <translation>die Datei ist zu kurz für ihr Gitter von {}³</translation>
    </message>
    <message>
        <source>the table ends after {} of {} lines</source>
        <translation>die Tabelle endet nach {} von {} Zeilen</translation>
    </message>
    <message>
        <source>a line of the table must hold three numbers</source>
        <translation>eine Zeile der Tabelle muss drei Zahlen enthalten</translation>
    </message>
    <message>
        <source>there is more data than the grid positions say</source>
        <translation>es sind mehr Daten, als die Gitterstellen sagen</translation>
    </message>
    <message>
        <source>a value of {} does not fit the {} bits of the Mesh line</source>
        <translation>ein Wert von {} passt nicht in die {} Bit der Mesh-Zeile</translation>
    </message>
    <message>
        <source>a name in the archive holds control characters</source>
        <translation>ein Name im Archiv enthält Steuerzeichen</translation>
    </message>
    <message>
        <source>the archive tries to write outside its own folder</source>
        <translation>das Archiv will außerhalb seines Ordners schreiben</translation>
    </message>
    <message>
        <source>the archive is damaged or no zip: {}</source>
        <translation>das Archiv ist beschädigt oder kein Zip: {}</translation>
    </message>
    <message>
        <source>the archive is damaged or no zip</source>
        <translation>das Archiv ist beschädigt oder kein Zip</translation>
    </message>
    <message>
        <source>download it again, or ask for a plain zip</source>
        <translation>noch einmal herunterladen oder um ein einfaches Zip bitten</translation>
    </message>
    <message>
        <source>the archive has more than {} entries</source>
        <translation>das Archiv hat mehr als {} Einträge</translation>
    </message>
    <message>
        <source>the archive is locked with a password</source>
        <translation>das Archiv ist mit einem Passwort gesichert</translation>
    </message>
    <message>
        <source>unpack it and import the folder</source>
        <translation>entpacken und den Ordner einlesen</translation>
    </message>
    <message>
        <source>the archive holds a link or a device</source>
        <translation>das Archiv enthält einen Verweis oder ein Gerät</translation>
    </message>
    <message>
        <source>the archive holds the same name twice</source>
        <translation>das Archiv enthält einen Namen zweimal</translation>
    </message>
    <message>
        <source>the archive unpacks to more than a set of presets can hold</source>
        <translation>das Archiv wird entpackt größer, als ein Satz Vorgaben sein kann</translation>
    </message>
    <message>
        <source>the folder has more than {} files</source>
        <translation>der Ordner hat mehr als {} Dateien</translation>
    </message>
    <message>
        <source>import a smaller one</source>
        <translation>einen kleineren einlesen</translation>
    </message>
    <message>
        <source>type at least one letter</source>
        <translation>mindestens einen Buchstaben schreiben</translation>
    </message>
    <message>
        <source>check the permissions of its folder</source>
        <translation>die Rechte seines Ordners prüfen</translation>
    </message>
    <message>
        <source>cannot delete</source>
        <translation>nicht zu löschen</translation>
    </message>
    <message>
        <source>there is something of this name already</source>
        <translation>diesen Namen gibt es schon</translation>
    </message>
    <message>
        <source>choose another name</source>
        <translation>einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>cannot move</source>
        <translation>nicht zu verschieben</translation>
    </message>
    <message>
        <source>save the picture again with a valid profile</source>
        <translation>das Bild mit einem gültigen Profil noch einmal sichern</translation>
    </message>
    <message>
        <source>the profile is not one of a monitor</source>
        <translation>das Profil ist keines eines Bildschirms</translation>
    </message>
    <message>
        <source>choose the profile made for this screen</source>
        <translation>das für diesen Bildschirm gemachte Profil wählen</translation>
    </message>
    <message>
        <source>the profile can&apos;t be used for output</source>
        <translation>das Profil taugt nicht für die Ausgabe</translation>
    </message>
    <message>
        <source>the picture has more than 400 megapixels</source>
        <translation>das Bild hat mehr als 400 Megapixel</translation>
    </message>
    <message>
        <source>scale it down or cut it into parts first</source>
        <translation>erst verkleinern oder in Teile schneiden</translation>
    </message>
    <message>
        <source>cannot read the folder: {}</source>
        <translation>der Ordner ist nicht zu lesen: {}</translation>
    </message>
    <message>
        <source>check its name and permissions</source>
        <translation>Namen und Rechte prüfen</translation>
    </message>
    <message>
        <source>choose another folder</source>
        <translation>einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>The middle of the hues that the band takes.</source>
        <translation>Die Mitte der Farbtöne, die das Band nimmt.</translation>
    </message>
    <message>
        <source>The middle of the family of hues.</source>
        <translation>Die Mitte der Farbtongruppe.</translation>
    </message>
    <message>
        <source>The hue that is left as it is: faces lie about 50°.</source>
        <translation>Der Farbton, der bleibt, wie er ist: Gesichter liegen bei etwa 50°.</translation>
    </message>
    <message>
        <source>The colour laid over the greys.</source>
        <translation>Die Farbe, die über die Grautöne gelegt wird.</translation>
    </message>
    <message>
        <source>this is no account of a run that this version knows</source>
        <translation>das ist kein Bericht eines Laufs, den diese Version kennt</translation>
    </message>
    <message>
        <source>it can be deleted: only the states of the last run are lost</source>
        <translation>sie kann gelöscht werden: Nur die Stände des letzten Laufs gehen verloren</translation>
    </message>
    <message>
        <source>this account of a run is damaged</source>
        <translation>dieser Bericht eines Laufs ist beschädigt</translation>
    </message>
    <message>
        <source>A disc</source>
        <translation>Eine Scheibe</translation>
    </message>
    <message>
        <source>arrow keys pull the chosen handle, Shift by ten; comma and full stop choose the one beside; Home takes its pull away</source>
        <translation>Pfeiltasten ziehen den gewählten Griff, mit Umschalt das Zehnfache; Komma und Punkt wählen den daneben; Pos1 nimmt seinen Zug weg</translation>
    </message>
    <message>
        <source>A tone axis</source>
        <translation>Eine Tonwertachse</translation>
    </message>
    <message>
        <source>Up and Down lift and lower, Shift by ten; Left and Right choose; Home goes back to the default</source>
        <translation>Auf und Ab heben und senken, mit Umschalt das Zehnfache; Links und Rechts wählen; Pos1 geht zum Standard zurück</translation>
    </message>
    <message>
        <source>A row of words</source>
        <translation>Eine Reihe von Wörtern</translation>
    </message>
    <message>
        <source>Tab comes to the chosen one; Left and Right choose</source>
        <translation>Tab kommt zum gewählten; Links und Rechts wählen</translation>
    </message>
    <message>
        <source>Any drag</source>
        <translation>Jedes Ziehen</translation>
    </message>
    <message>
        <source>Escape takes it back whole</source>
        <translation>Escape nimmt es ganz zurück</translation>
    </message>
    <message>
        <source>contrasty source</source>
        <translation>hartes Original</translation>
    </message>
    <message>
        <source>burns out</source>
        <translation>brennt aus</translation>
    </message>
    <message>
        <source>cuts colours</source>
        <translation>kappt Farben</translation>
    </message>
    <message>
        <source>loses folds</source>
        <translation>Falten weg</translation>
    </message>
    <message>
        <source>Roll-off</source>
        <translation>Auslauf</translation>
    </message>
    <message>
        <source>Lets the lights run gently out into a white that lies a little lower: what is burnt has no hard edge, and what lies past white comes back.</source>
        <translation>Lässt die Lichter sanft in ein etwas tieferes Weiß auslaufen: Ausgebranntes hat keine harte Kante, und was über Weiß liegt, kommt zurück.</translation>
    </message>
    <message>
        <source>Gamut compression</source>
        <translation>Gamut-Kompression</translation>
    </message>
    <message>
        <source>Holds strong colours in: what is more colourful than a file can hold is folded toward the limit and keeps its folds, its lightness and its hue.</source>
        <translation>Hält kräftige Farben im Rahmen: Was bunter ist, als eine Datei fassen kann, wird zur Grenze hin gestaucht und behält Falten, Helligkeit und Farbton.</translation>
    </message>
    <message>
        <source>How much of the fold is felt.</source>
        <translation>Wie stark die Stauchung wirkt.</translation>
    </message>
    <message>
        <source>Knee</source>
        <translation>Knie</translation>
    </message>
    <message>
        <source>The share of the limit up to which colours stay as they are.</source>
        <translation>Der Anteil der Grenze, bis zu dem Farben bleiben, wie sie sind.</translation>
    </message>
    <message>
        <source>Reach</source>
        <translation>Reichweite</translation>
    </message>
    <message>
        <source>How far past the limit a colour may lie and still come to lie inside it.</source>
        <translation>Wie weit eine Farbe über der Grenze liegen darf und noch hineinkommt.</translation>
    </message>
    <message>
        <source>Darkening</source>
        <translation>Abdunkeln</translation>
    </message>
    <message>
        <source>How far colours that are past white may darken so as not to pale: at 0 all keep their lightness.</source>
        <translation>Wie weit Farben, die über Weiß liegen, dunkler werden dürfen, um nicht zu verblassen: Bei 0 behalten alle ihre Helligkeit.</translation>
    </message>
    <message>
        <source>the same as {}</source>
        <translation>dasselbe wie {}</translation>
    </message>
    <message>
        <source>the library has it as {}</source>
        <translation>die Bibliothek hat es als {}</translation>
    </message>
    <message>
        <source>the library has it</source>
        <translation>die Bibliothek hat es</translation>
    </message>
    <message>
        <source>arrow keys nudge the point by 1, Shift by 10; Page Up and Page Down choose; Insert adds one, Delete removes</source>
        <translation>Pfeiltasten rücken den Punkt um 1, mit Umschalt um 10; Bild auf und ab wählen; Einfg setzt einen, Entf nimmt ihn weg</translation>
    </message>
    <message>
        <source>it can be deleted: only the steps of earlier days are lost</source>
        <translation>Er kann gelöscht werden: Nur die Schritte früherer Tage gehen verloren</translation>
    </message>
    <message>
        <source>this is no history that this version knows</source>
        <translation>das ist kein Verlauf, den diese Version kennt</translation>
    </message>
    <message>
        <source>there are too many states</source>
        <translation>es sind zu viele Zustände</translation>
    </message>
    <message>
        <source>there are too many steps</source>
        <translation>es sind zu viele Schritte</translation>
    </message>
    <message>
        <source>this history is damaged</source>
        <translation>dieser Verlauf ist beschädigt</translation>
    </message>
    <message>
        <source>a step names a state that is not there</source>
        <translation>ein Schritt nennt einen Zustand, den es nicht gibt</translation>
    </message>
    <message>
        <source>{:.0f} % of the picture is lost to white: folds that the source has are gone.</source>
        <translation>{:.0f} % des Bildes gehen an Weiß verloren: Falten, die das Original hat, sind weg.</translation>
    </message>
    <message>
        <source>{:.0f} % of the picture is more colourful than a file holds: folds are cut off.</source>
        <translation>{:.0f} % des Bildes sind bunter, als eine Datei fasst: Falten sind gekappt.</translation>
    </message>
    <message>
        <source>{:.0f} % of the picture has its tones laid together: folds are gone there.</source>
        <translation>Auf {:.0f} % des Bildes liegen die Töne zusammen: Falten sind dort weg.</translation>
    </message>
    <message>
        <source>Bloom</source>
        <translation>Überstrahlung</translation>
    </message>
    <message>
        <source>Lets bright places glow into what surrounds them, as light does in a lens or in haze.</source>
        <translation>Lässt helle Stellen in ihre Umgebung leuchten, wie Licht im Objektiv oder im Dunst.</translation>
    </message>
    <message>
        <source>How much of their light bright places give away.</source>
        <translation>Wie viel von ihrem Licht helle Stellen abgeben.</translation>
    </message>
    <message>
        <source>Threshold</source>
        <translation>Schwelle</translation>
    </message>
    <message>
        <source>From which tone on a place is bright.</source>
        <translation>Ab welchem Ton eine Stelle hell ist.</translation>
    </message>
    <message>
        <source>How gently that sets in: at 0 the threshold is a hard line.</source>
        <translation>Wie sanft das einsetzt: Bei 0 ist die Schwelle eine harte Grenze.</translation>
    </message>
    <message>
        <source>How far the glow goes, in thousandths of the frame&apos;s long side.</source>
        <translation>Wie weit das Leuchten reicht, in Tausendsteln der langen Seite des Bilds.</translation>
    </message>
    <message>
        <source>The colour of the glow.</source>
        <translation>Die Farbe des Leuchtens.</translation>
    </message>
    <message>
        <source>How far the glow takes that colour; the lights themselves keep theirs.</source>
        <translation>Wie weit das Leuchten diese Farbe annimmt; die Lichter selbst behalten ihre.</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Details</translation>
    </message>
    <message>
        <source>Makes edges and fine structure clearer, or softer.</source>
        <translation>Macht Kanten und feine Strukturen klarer oder weicher.</translation>
    </message>
    <message>
        <source>Way</source>
        <translation>Verfahren</translation>
    </message>
    <message>
        <source>Unsharp mask adds what a blurred copy lacks; high-pass lays it over softly and leaves black and white alone.</source>
        <translation>Unscharf maskieren fügt hinzu, was einer weichen Kopie fehlt; Hochpass legt es weich darüber und lässt Schwarz und Weiß in Ruhe.</translation>
    </message>
    <message>
        <source>Unsharp mask</source>
        <translation>Unscharf maskieren</translation>
    </message>
    <message>
        <source>High-pass</source>
        <translation>Hochpass</translation>
    </message>
    <message>
        <source>How much clearer (right) or softer (left) fine structure becomes.</source>
        <translation>Wie viel klarer (rechts) oder weicher (links) feine Strukturen werden.</translation>
    </message>
    <message>
        <source>Radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>How coarse the structure is that it works on, in pixels of the full-size picture: a smaller view shows what will be left of it.</source>
        <translation>Wie grob die Strukturen sind, auf die es wirkt, in Pixeln des Bilds in voller Größe: Eine kleinere Ansicht zeigt, was davon übrig bleibt.</translation>
    </message>
    <message>
        <source>Leaves weaker differences alone, such as noise. Of Unsharp mask.</source>
        <translation>Lässt schwächere Unterschiede in Ruhe, etwa Rauschen. Nur beim Unscharf-Maskieren.</translation>
    </message>
    <message>
        <source>Halo guard</source>
        <translation>Saumschutz</translation>
    </message>
    <message>
        <source>Holds light and dark seams along edges back: at 100 no pixel becomes lighter or darker than its neighbours. Of Unsharp mask.</source>
        <translation>Hält helle und dunkle Säume an Kanten zurück: Bei 100 wird kein Pixel heller oder dunkler als seine Nachbarn. Nur beim Unscharf-Maskieren.</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Ausschnitt</translation>
    </message>
    <message>
        <source>Shows a part of the picture, level and in the proportions you want. What is outside is kept.</source>
        <translation>Zeigt einen Teil des Bildes, gerade und in den gewünschten Proportionen. Was außerhalb liegt, bleibt erhalten.</translation>
    </message>
    <message>
        <source>Ratio</source>
        <translation>Verhältnis</translation>
    </message>
    <message>
        <source>Width to height of the frame.</source>
        <translation>Breite zu Höhe des Ausschnitts.</translation>
    </message>
    <message>
        <source>Original</source>
        <translation>Original</translation>
    </message>
    <message>
        <source>Free</source>
        <translation>Frei</translation>
    </message>
    <message>
        <source>1 : 1</source>
        <translation>1 : 1</translation>
    </message>
    <message>
        <source>5 : 4</source>
        <translation>5 : 4</translation>
    </message>
    <message>
        <source>4 : 3</source>
        <translation>4 : 3</translation>
    </message>
    <message>
        <source>3 : 2</source>
        <translation>3 : 2</translation>
    </message>
    <message>
        <source>16 : 9</source>
        <translation>16 : 9</translation>
    </message>
    <message>
        <source>2 : 1</source>
        <translation>2 : 1</translation>
    </message>
    <message>
        <source>3 : 1</source>
        <translation>3 : 1</translation>
    </message>
    <message>
        <source>4 : 5</source>
        <translation>4 : 5</translation>
    </message>
    <message>
        <source>3 : 4</source>
        <translation>3 : 4</translation>
    </message>
    <message>
        <source>2 : 3</source>
        <translation>2 : 3</translation>
    </message>
    <message>
        <source>9 : 16</source>
        <translation>9 : 16</translation>
    </message>
    <message>
        <source>1 : 2</source>
        <translation>1 : 2</translation>
    </message>
    <message>
        <source>1 : 3</source>
        <translation>1 : 3</translation>
    </message>
    <message>
        <source>Proportions</source>
        <translation>Proportionen</translation>
    </message>
    <message>
        <source>Width over height, where the ratio is free; 0 is the picture&apos;s own.</source>
        <translation>Breite durch Höhe, wo das Verhältnis frei ist; 0 ist das des Bildes.</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>How large the frame is; 100 is the largest that fits.</source>
        <translation>Wie groß der Ausschnitt ist; 100 ist der größte, der passt.</translation>
    </message>
    <message>
        <source>Middle across</source>
        <translation>Mitte quer</translation>
    </message>
    <message>
        <source>Where the frame&apos;s middle lies, from the picture&apos;s left edge to the right.</source>
        <translation>Wo die Mitte des Ausschnitts liegt, vom linken Bildrand zum rechten.</translation>
    </message>
    <message>
        <source>Middle down</source>
        <translation>Mitte hoch</translation>
    </message>
    <message>
        <source>Where the frame&apos;s middle lies, from the picture&apos;s top edge to the bottom.</source>
        <translation>Wo die Mitte des Ausschnitts liegt, vom oberen Bildrand zum unteren.</translation>
    </message>
    <message>
        <source>Turns the picture under the frame until the horizon is level.</source>
        <translation>Dreht das Bild unter dem Ausschnitt, bis der Horizont gerade liegt.</translation>
    </message>
    <message>
        <source>Angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>The frame</source>
        <translation>Der Ausschnitt</translation>
    </message>
    <message>
        <source>Switch</source>
        <translation>Schalter</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>a picture</source>
        <translation>ein Bild</translation>
    </message>
    <message>
        <source>cannot read</source>
        <translation>nicht zu lesen</translation>
    </message>
    <message>
        <source>this is no ordinary file, but a pipe or a device</source>
        <translation>das ist keine gewöhnliche Datei, sondern eine Röhre oder ein Gerät</translation>
    </message>
    <message>
        <source>copy what it gives into a file first</source>
        <translation>was sie liefert, zuerst in eine Datei kopieren</translation>
    </message>
    <message>
        <source>this is a link that leads nowhere</source>
        <translation>das ist ein Verweis, der ins Leere führt</translation>
    </message>
    <message>
        <source>this file is read here and is not written over</source>
        <translation>diese Datei wird hier gelesen und nicht überschrieben</translation>
    </message>
    <message>
        <source>this is a folder</source>
        <translation>das ist ein Ordner</translation>
    </message>
    <message>
        <source>name a file in it</source>
        <translation>eine Datei darin nennen</translation>
    </message>
    <message>
        <source>this is no ordinary file</source>
        <translation>das ist keine gewöhnliche Datei</translation>
    </message>
    <message>
        <source>what lies there is not {}: it is not written over</source>
        <translation>was dort liegt, ist nicht {}: es wird nicht überschrieben</translation>
    </message>
    <message>
        <source>choose another name, or take that file away first</source>
        <translation>einen anderen Namen wählen oder diese Datei zuerst wegnehmen</translation>
    </message>
    <message>
        <source>a .3dl file has {} steps at the least</source>
        <translation>eine .3dl-Datei hat mindestens {} Stufen</translation>
    </message>
    <message>
        <source>choose a larger size, or a .cube file</source>
        <translation>eine größere Größe wählen oder eine .cube-Datei</translation>
    </message>
    <message>
        <source>{} stands here a second time</source>
        <translation>{} steht hier ein zweites Mal</translation>
    </message>
    <message>
        <source>{}: the word &quot;{}&quot; is not known and is passed over</source>
        <translation>{}: das Wort „{}“ ist nicht bekannt und wird übergangen</translation>
    </message>
    <message>
        <source>this picture would take {} of memory, and {} may be used</source>
        <translation>dieses Bild bräuchte {} Arbeitsspeicher, und {} dürfen es sein</translation>
    </message>
    <message>
        <source>scale it down, save it without interlacing and upright, or raise the limit</source>
        <translation>es verkleinern, ohne Interlacing und aufrecht speichern oder die Grenze heben</translation>
    </message>
    <message>
        <source>all of it</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>its numbers or colours are of a kind that can&apos;t be read here</source>
        <translation>seine Zahlen oder Farben sind von einer Art, die hier nicht gelesen wird</translation>
    </message>
    <message>
        <source>save it as RGB with 8 or 16 bits or as 32-bit float</source>
        <translation>als RGB mit 8 oder 16 Bit oder mit 32-Bit-Gleitkomma speichern</translation>
    </message>
    <message>
        <source>the full picture in it is raw sensor data; what can be read is just {} × {} pixels</source>
        <translation>das volle Bild darin sind rohe Sensordaten; lesbar sind nur {} × {} Pixel</translation>
    </message>
    <message>
        <source>it holds {} pictures: the largest, of {} × {} pixels, is taken</source>
        <translation>die Datei enthält {} Bilder: genommen wird das größte mit {} × {} Pixeln</translation>
    </message>
    <message>
        <source>its colour profile is damaged</source>
        <translation>sein Farbprofil ist beschädigt</translation>
    </message>
    <message>
        <source>cannot encode: {}</source>
        <translation>nicht zu kodieren: {}</translation>
    </message>
    <message>
        <source>choose another format or a smaller size</source>
        <translation>ein anderes Format oder eine kleinere Größe wählen</translation>
    </message>
    <message>
        <source>of its metadata could not be kept: {}</source>
        <translation>von den Metadaten ließ sich nicht behalten: {}</translation>
    </message>
    <message>
        <source>it holds more than {} objects</source>
        <translation>die Datei enthält mehr als {} Objekte</translation>
    </message>
    <message>
        <source>take takes and stages out that are not needed</source>
        <translation>Fassungen und Stufen herausnehmen, die nicht gebraucht werden</translation>
    </message>
    <message>
        <source>it has {} stages; {} is the most</source>
        <translation>{} Stufen; mehr als {} dürfen es nicht sein</translation>
    </message>
    <message>
        <source>take some out, or spread them over several presets</source>
        <translation>einige herausnehmen oder auf mehrere Vorgaben verteilen</translation>
    </message>
    <message>
        <source>there is no picture to wear the LUT</source>
        <translation>es gibt kein Bild, auf das die LUT gelegt werden könnte</translation>
    </message>
    <message>
        <source>open a picture first</source>
        <translation>zuerst ein Bild öffnen</translation>
    </message>
    <message>
        <source>the data is not base64</source>
        <translation>die Daten sind kein Base64</translation>
    </message>
    <message>
        <source>the file was damaged or edited by hand: take it from a backup</source>
        <translation>die Datei wurde beschädigt oder von Hand geändert: aus einer Sicherung holen</translation>
    </message>
    <message>
        <source>the largest value is {}, so the output was taken to have {} bits; a dark LUT of greater depth would look the same</source>
        <translation>der größte Wert ist {}, darum wurden {} Bit für die Ausgabe angenommen; eine dunkle LUT von größerer Tiefe sähe ebenso aus</translation>
    </message>
    <message>
        <source>the pack names it, but does not hold it</source>
        <translation>das Paket nennt es, enthält es aber nicht</translation>
    </message>
    <message>
        <source>cannot make the folder</source>
        <translation>der Ordner ist nicht anzulegen</translation>
    </message>
    <message>
        <source>there is not enough memory for this picture</source>
        <translation>der Speicher reicht für dieses Bild nicht</translation>
    </message>
    <message>
        <source>close other programs or scale it down</source>
        <translation>andere Programme schließen oder das Bild verkleinern</translation>
    </message>
    <message>
        <source>{} must be {}</source>
        <translation>{} muss {} sein</translation>
    </message>
    <message>
        <source>correct the value</source>
        <translation>den Wert berichtigen</translation>
    </message>
    <message>
        <source>{} can&apos;t be &quot;{}&quot;</source>
        <translation>{} kann nicht „{}“ sein</translation>
    </message>
    <message>
        <source>{} is {}, outside {}…{}</source>
        <translation>{} ist {}, außerhalb von {}…{}</translation>
    </message>
    <message>
        <source>write a number within the range</source>
        <translation>eine Zahl im Bereich schreiben</translation>
    </message>
    <message>
        <source>the LUT {} is named, but its content is not there</source>
        <translation>die LUT {} wird genannt, aber ihr Inhalt fehlt</translation>
    </message>
    <message>
        <source>choose the LUT again and save</source>
        <translation>die LUT neu wählen und speichern</translation>
    </message>
    <message>
        <source>{}: the points must rise in x by at least 1/1024, lie within −4…4 and be at least two</source>
        <translation>{}: die Punkte müssen in x um mindestens 1/1024 steigen, zwischen −4 und 4 liegen und mindestens zwei sein</translation>
    </message>
    <message>
        <source>sort the points, or take out those that stand on one another</source>
        <translation>die Punkte ordnen oder die herausnehmen, die aufeinander stehen</translation>
    </message>
    <message>
        <source>there is no stage type &quot;{}&quot; in this version</source>
        <translation>die Stufenart „{}“ gibt es in dieser Version nicht</translation>
    </message>
    <message>
        <source>open it with a newer Baryton, or take the stage out</source>
        <translation>es mit einem neueren Baryton öffnen oder die Stufe herausnehmen</translation>
    </message>
    <message>
        <source>{} can&apos;t stand in {}</source>
        <translation>{} kann nicht in {} stehen</translation>
    </message>
    <message>
        <source>move it to {}</source>
        <translation>es nach {} verschieben</translation>
    </message>
    <message>
        <source>write one of the words that baryton-cli stages lists</source>
        <translation>eines der Wörter schreiben, die baryton-cli stages nennt</translation>
    </message>
    <message>
        <source>{} has no parameter &quot;{}&quot;</source>
        <translation>{} hat keinen Parameter „{}“</translation>
    </message>
    <message>
        <source>see baryton-cli stages for those it has</source>
        <translation>baryton-cli stages nennt die vorhandenen</translation>
    </message>
    <message>
        <source>2.35 : 1</source>
        <translation>2,35 : 1</translation>
    </message>
    <message>
        <source>2.39 : 1</source>
        <translation>2,39 : 1</translation>
    </message>
    <message>
        <source>Local contrast</source>
        <translation>Lokaler Kontrast</translation>
    </message>
    <message>
        <source>Brings out what is faint beside its surroundings, or calms it, and leaves edges as they are.</source>
        <translation>Hebt hervor, was sich kaum von seiner Umgebung abhebt, oder beruhigt es; Kanten bleiben, wie sie sind.</translation>
    </message>
    <message>
        <source>How much clearer (right) or calmer (left) texture becomes.</source>
        <translation>Wie viel klarer (rechts) oder ruhiger (links) die Textur wird.</translation>
    </message>
    <message>
        <source>How coarse the texture is that it works on, in thousandths of the frame&apos;s long side.</source>
        <translation>Wie grob die Textur ist, auf die es wirkt, in Tausendsteln der langen Bildseite.</translation>
    </message>
    <message>
        <source>Halation</source>
        <translation>Lichthof</translation>
    </message>
    <message>
        <source>A warm seam around lights, as a film&apos;s base throws their light back into its layers.</source>
        <translation>Ein warmer Saum um Lichter, wie ihn der Träger eines Films in dessen Schichten zurückwirft.</translation>
    </message>
    <message>
        <source>How much of the light of bright places comes back around them.</source>
        <translation>Wie viel vom Licht heller Stellen um sie herum zurückkommt.</translation>
    </message>
    <message>
        <source>How far the seam goes, in thousandths of the frame&apos;s long side.</source>
        <translation>Wie weit der Saum reicht, in Tausendsteln der langen Bildseite.</translation>
    </message>
    <message>
        <source>The colour of the seam: red and orange in most films.</source>
        <translation>Die Farbe des Saums: bei den meisten Filmen rot und orange.</translation>
    </message>
    <message>
        <source>Grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>Density that varies from place to place as in a film, the same at every size. Judge it at 100 %.</source>
        <translation>Dichte, die von Ort zu Ort schwankt wie in einem Film, in jeder Größe dieselbe. Bei 100 % beurteilen.</translation>
    </message>
    <message>
        <source>How strong the grain is.</source>
        <translation>Wie stark das Korn ist.</translation>
    </message>
    <message>
        <source>How large the grains are, in thousandths of the frame&apos;s long side: 0.4 is a little over two pixels of 24 megapixels.</source>
        <translation>Wie groß die Körner sind, in Tausendsteln der langen Bildseite: 0,4 sind etwas mehr als zwei Pixel von 24 Megapixeln.</translation>
    </message>
    <message>
        <source>Clumping</source>
        <translation>Klumpen</translation>
    </message>
    <message>
        <source>How far grains gather in clumps; 0 is even.</source>
        <translation>Wie sehr sich Körner zu Klumpen ballen; 0 ist gleichmäßig.</translation>
    </message>
    <message>
        <source>The share of colour: at 0 all layers have the same grain and grey stays grey, at 100 each has its own.</source>
        <translation>Der Anteil der Farbe: Bei 0 haben alle Schichten dasselbe Korn und Grau bleibt grau, bei 100 hat jede ihr eigenes.</translation>
    </message>
    <message>
        <source>Pattern</source>
        <translation>Muster</translation>
    </message>
    <message>
        <source>Another number is another pattern of the same grain.</source>
        <translation>Eine andere Zahl ist ein anderes Muster desselben Korns.</translation>
    </message>
    <message>
        <source>Curve over tone</source>
        <translation>Kurve über den Tönen</translation>
    </message>
    <message>
        <source>Across: the tone, black at the left. Up: how much of the amount is laid there; the middle is as a film has it.</source>
        <translation>Waagrecht: der Ton, links Schwarz. Nach oben: wie viel von der Stärke dort aufliegt; die Mitte ist, wie ein Film es hat.</translation>
    </message>
    <message>
        <source>Bars</source>
        <translation>Balken</translation>
    </message>
    <message>
        <source>Covers what lies outside a ratio with one colour; the size of the picture stays.</source>
        <translation>Deckt mit einer Farbe ab, was außerhalb eines Seitenverhältnisses liegt; die Größe des Bildes bleibt.</translation>
    </message>
    <message>
        <source>Width to height of what stays open.</source>
        <translation>Breite zu Höhe dessen, was offen bleibt.</translation>
    </message>
    <message>
        <source>No bars</source>
        <translation>Keine Balken</translation>
    </message>
    <message>
        <source>Own</source>
        <translation>Eigenes</translation>
    </message>
    <message>
        <source>Width over height, where the ratio is an own one.</source>
        <translation>Breite durch Höhe, wo das Seitenverhältnis ein eigenes ist.</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Where the opening lies: at 0 at the left or the top, so that one broad bar is left for a title.</source>
        <translation>Wo die Öffnung liegt: bei 0 links oder oben, sodass ein breiter Balken für einen Titel bleibt.</translation>
    </message>
    <message>
        <source>How light the bars are; 0 is black, 100 white.</source>
        <translation>Wie hell die Balken sind; 0 ist Schwarz, 100 Weiß.</translation>
    </message>
    <message>
        <source>The colour of the bars.</source>
        <translation>Die Farbe der Balken.</translation>
    </message>
    <message>
        <source>How much of that colour they have.</source>
        <translation>Wie viel sie von dieser Farbe haben.</translation>
    </message>
    <message>
        <source>How much of that colour it has; 0 for a mono picture.</source>
        <translation>Wie viel er von dieser Farbe hat; 0 für ein einfarbiges Bild.</translation>
    </message>
    <message>
        <source>Quarter turns</source>
        <translation>Vierteldrehungen</translation>
    </message>
    <message>
        <source>Turns the picture as a whole, for one that lies on its side.</source>
        <translation>Dreht das Bild als Ganzes, wenn es auf der Seite liegt.</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>Upside down</source>
        <translation>Kopfüber</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Mirrored</source>
        <translation>Gespiegelt</translation>
    </message>
    <message>
        <source>Left and right change places.</source>
        <translation>Links und rechts tauschen die Plätze.</translation>
    </message>
    <message>
        <source>name it as the raw file that it is (.dng), or develop it to a TIFF first</source>
        <translation>als die Rohdatei benennen, die sie ist (.dng), oder erst zu einem TIFF entwickeln</translation>
    </message>
    <message>
        <source>byte {}</source>
        <translation>Byte {}</translation>
    </message>
    <message>
        <source>the raw file is damaged or ends early</source>
        <translation>die Rohdatei ist beschädigt oder endet zu früh</translation>
    </message>
    <message>
        <source>copy it again from the camera or a backup</source>
        <translation>noch einmal von der Kamera oder aus einer Sicherung kopieren</translation>
    </message>
    <message>
        <source>this is no raw file, or a damaged one, or of a camera that is not known here</source>
        <translation>das ist keine Rohdatei, oder eine beschädigte, oder die einer Kamera, die hier nicht bekannt ist</translation>
    </message>
    <message>
        <source>write it as DNG, or develop it to a TIFF where it was made</source>
        <translation>als DNG schreiben, oder dort, wo sie entstand, zu einem TIFF entwickeln</translation>
    </message>
    <message>
        <source>it comes from {}, whose colours can&apos;t be judged here</source>
        <translation>sie kommt von {}; deren Farben lassen sich hier nicht beurteilen</translation>
    </message>
    <message>
        <source>develop it to a TIFF where it was made</source>
        <translation>dort, wo sie entstand, zu einem TIFF entwickeln</translation>
    </message>
    <message>
        <source>nothing is known of the colours of its camera</source>
        <translation>über die Farben ihrer Kamera ist nichts bekannt</translation>
    </message>
    <message>
        <source>a sensor with its colours in layers</source>
        <translation>einem Sensor mit geschichteten Farben</translation>
    </message>
    <message>
        <source>a sensor without colours</source>
        <translation>einem Sensor ohne Farben</translation>
    </message>
    <message>
        <source>a sensor of four colours</source>
        <translation>einem Sensor mit vier Farben</translation>
    </message>
    <message>
        <source>the file is empty</source>
        <translation>die Datei ist leer</translation>
    </message>
    <message>
        <source>Raw</source>
        <translation>Rohdatei</translation>
    </message>
    <message>
        <source>Makes a picture of what the camera&apos;s sensor saw: its white, blown lights, response. It acts on raw files only.</source>
        <translation>Macht ein Bild aus dem, was der Sensor der Kamera sah: Weiß, ausgebrannte Lichter, Kennlinie. Wirkt nur auf Rohdateien.</translation>
    </message>
    <message>
        <source>White</source>
        <translation>Weiß</translation>
    </message>
    <message>
        <source>What light of the scene becomes neutral.</source>
        <translation>Welches Licht der Szene neutral wird.</translation>
    </message>
    <message>
        <source>As shot</source>
        <translation>Wie aufgenommen</translation>
    </message>
    <message>
        <source>Temperature and tint</source>
        <translation>Temperatur und Tönung</translation>
    </message>
    <message>
        <source>The colour of the light the picture was taken in, through the camera&apos;s own colours: lower for lamps (the picture turns bluer), higher for shade (it turns warmer).</source>
        <translation>Die Farbe des Lichts bei der Aufnahme, durch die eigenen Farben der Kamera: niedriger bei Lampen (das Bild wird blauer), höher bei Schatten (es wird wärmer).</translation>
    </message>
    <message>
        <source>Blown lights</source>
        <translation>Ausgebranntes</translation>
    </message>
    <message>
        <source>Where the sensor could take no more: all channels end together, or those that have ended follow the others. Rebuilt lights are brighter than white; Exposure or a curve brings them down.</source>
        <translation>Wo der Sensor nicht mehr aufnehmen konnte: Alle Kanäle enden gemeinsam, oder die am Ende folgen den anderen. Ergänzte Lichter sind heller als Weiß; Belichtung oder eine Kurve holt sie herunter.</translation>
    </message>
    <message>
        <source>Kept neutral</source>
        <translation>Bleibt neutral</translation>
    </message>
    <message>
        <source>Rebuilt</source>
        <translation>Ergänzt</translation>
    </message>
    <message>
        <source>Even: light as it was measured. Flat: low in contrast, with room above white, to grade from.</source>
        <translation>Linear: Licht, wie es gemessen wurde. Flach: kontrastarm, mit Raum über Weiß, als Ausgangspunkt zum Gestalten.</translation>
    </message>
    <message>
        <source>Even</source>
        <translation>Linear</translation>
    </message>
    <message>
        <source>Flat</source>
        <translation>Flach</translation>
    </message>
    <message>
        <source>How a colour is found for each pixel of the sensor. Quick takes half the time.</source>
        <translation>Wie zu jedem Pixel des Sensors eine Farbe gefunden wird. Schnell braucht die halbe Zeit.</translation>
    </message>
    <message>
        <source>Fine</source>
        <translation>Fein</translation>
    </message>
    <message>
        <source>Quick</source>
        <translation>Schnell</translation>
    </message>
    <message>
        <source>its black level of {} is not below its white level of {}</source>
        <translation>ihr Schwarzwert {} liegt nicht unter ihrem Weißwert {}</translation>
    </message>
    <message>
        <source>the file is damaged, or was written wrong: copy it again from the camera or a backup</source>
        <translation>die Datei ist beschädigt oder falsch geschrieben: noch einmal von der Kamera oder aus einer Sicherung kopieren</translation>
    </message>
    <message>
        <source>Noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>Takes out what a sensor adds by chance, ahead of all else. Judge it at 100 %.</source>
        <translation>Nimmt heraus, was ein Sensor zufällig hinzufügt, vor allem anderen. Bei 100 % zu beurteilen.</translation>
    </message>
    <message>
        <source>In brightness</source>
        <translation>In der Helligkeit</translation>
    </message>
    <message>
        <source>How strong the differences in brightness are that go: fine structure goes with them where it is no stronger.</source>
        <translation>Wie starke Unterschiede der Helligkeit verschwinden: Feine Strukturen verschwinden mit, wo sie nicht stärker sind.</translation>
    </message>
    <message>
        <source>In colour</source>
        <translation>In der Farbe</translation>
    </message>
    <message>
        <source>How strong the specks and blotches of colour are that go.</source>
        <translation>Wie starke Sprenkel und Flecken der Farbe verschwinden.</translation>
    </message>
    <message>
        <source>Defringe</source>
        <translation>Farbsäume</translation>
    </message>
    <message>
        <source>Takes the colour out of the purple and green seams that a lens leaves beside strong edges.</source>
        <translation>Nimmt die Farbe aus den violetten und grünen Säumen, die ein Objektiv neben starken Kanten lässt.</translation>
    </message>
    <message>
        <source>Purple</source>
        <translation>Violett</translation>
    </message>
    <message>
        <source>How much of a purple seam&apos;s colour goes.</source>
        <translation>Wie viel von der Farbe eines violetten Saums verschwindet.</translation>
    </message>
    <message>
        <source>How much of a green seam&apos;s colour goes.</source>
        <translation>Wie viel von der Farbe eines grünen Saums verschwindet.</translation>
    </message>
    <message>
        <source>How far from an edge a seam may lie, in pixels of the full-size picture.</source>
        <translation>Wie weit ein Saum von einer Kante liegen darf, in Pixeln des Bildes in voller Größe.</translation>
    </message>
    <message>
        <source>Edge</source>
        <translation>Kante</translation>
    </message>
    <message>
        <source>How strong an edge must be: below it colours are left alone.</source>
        <translation>Wie stark eine Kante sein muss: Darunter bleiben Farben, wie sie sind.</translation>
    </message>
    <message>
        <source>Camera tilt</source>
        <translation>Kamera gekippt</translation>
    </message>
    <message>
        <source>How far the camera looked up, or down where it is negative: makes uprights parallel again.</source>
        <translation>Wie weit die Kamera nach oben sah, oder nach unten, wo es negativ ist: macht Senkrechte wieder parallel.</translation>
    </message>
    <message>
        <source>Camera swing</source>
        <translation>Kamera gedreht</translation>
    </message>
    <message>
        <source>How far the camera looked to the right of what stands square before it, or to the left where it is negative: makes level lines parallel again.</source>
        <translation>Wie weit die Kamera rechts an dem vorbeisah, was vor ihr steht, oder links, wo es negativ ist: macht Waagrechte wieder parallel.</translation>
    </message>
    <message>
        <source>Focal length</source>
        <translation>Brennweite</translation>
    </message>
    <message>
        <source>Of the lens, for a frame of 36 × 24 mm: how strongly lines ran together, and whether what is made straight is neither too tall nor too flat.</source>
        <translation>Des Objektivs, für ein Format von 36 × 24 mm: wie stark Linien zusammenliefen, und ob das Gerichtete weder zu hoch noch zu flach ist.</translation>
    </message>
    <message>
        <source>arrow keys move it, Shift by ten; comma and full stop turn the picture, M mirrors it, X swaps the sides; Ctrl held draws what is to be level; L draws lines to straighten it by; Enter is done</source>
        <translation>Pfeiltasten verschieben ihn, Umschalt um zehn; Komma und Punkt drehen das Bild, M spiegelt es, X tauscht die Seiten; mit gehaltener Strg wird gezogen, was waagrecht sein soll; L zieht Linien, nach denen gerichtet wird; Eingabe: fertig</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objektiv</translation>
    </message>
    <message>
        <source>Takes back what the lens did: bent lines, seams of colour, dark corners.</source>
        <translation>Nimmt zurück, was das Objektiv getan hat: gebogene Linien, Farbsäume, dunkle Ecken.</translation>
    </message>
    <message>
        <source>Whose corrections are used; none: those of the lens that the file names.</source>
        <translation>Wessen Korrekturen gelten; keines: die des Objektivs, das die Datei nennt.</translation>
    </message>
    <message>
        <source>Distortion</source>
        <translation>Verzeichnung</translation>
    </message>
    <message>
        <source>How much of what is known of the lens&apos;s distortion is taken back: straight lines come out straight.</source>
        <translation>Wie viel von der bekannten Verzeichnung des Objektivs zurückgenommen wird: gerade Linien werden gerade.</translation>
    </message>
    <message>
        <source>Fringes</source>
        <translation>Säume</translation>
    </message>
    <message>
        <source>How much of what is known of the lens&apos;s seams of red and cyan, blue and yellow is taken back, which grow toward the corners.</source>
        <translation>Wie viel von den bekannten Säumen des Objektivs in Rot und Cyan, Blau und Gelb zurückgenommen wird, die zu den Ecken hin wachsen.</translation>
    </message>
    <message>
        <source>Corner shading</source>
        <translation>Randabfall</translation>
    </message>
    <message>
        <source>How much of what is known of the lens&apos;s darker corners is taken back.</source>
        <translation>Wie viel von den bekannten dunkleren Ecken des Objektivs zurückgenommen wird.</translation>
    </message>
    <message>
        <source>Barrel</source>
        <translation>Tonne</translation>
    </message>
    <message>
        <source>By hand, beside what is known: to the right straightens lines that bend outward, to the left those that bend inward.</source>
        <translation>Von Hand, neben dem Bekannten: nach rechts begradigt nach außen gebogene Linien, nach links nach innen gebogene.</translation>
    </message>
    <message>
        <source>Red fringe</source>
        <translation>Roter Saum</translation>
    </message>
    <message>
        <source>By hand: makes the red picture larger or smaller, in thousandths, until red and cyan seams are gone.</source>
        <translation>Von Hand: macht das rote Bild größer oder kleiner, in Tausendsteln, bis Säume in Rot und Cyan weg sind.</translation>
    </message>
    <message>
        <source>Blue fringe</source>
        <translation>Blauer Saum</translation>
    </message>
    <message>
        <source>By hand: makes the blue picture larger or smaller, in thousandths, until blue and yellow seams are gone.</source>
        <translation>Von Hand: macht das blaue Bild größer oder kleiner, in Tausendsteln, bis Säume in Blau und Gelb weg sind.</translation>
    </message>
    <message>
        <source>Corner light</source>
        <translation>Licht der Ecken</translation>
    </message>
    <message>
        <source>By hand: light added in the corners, or taken away.</source>
        <translation>Von Hand: den Ecken zugefügtes oder genommenes Licht.</translation>
    </message>
    <message>
        <source>the picture that is carried in it is damaged: {}</source>
        <translation>das mitgeführte Bild ist beschädigt: {}</translation>
    </message>
    <message>
        <source>choose the picture again from its own file</source>
        <translation>das Bild noch einmal aus seiner Datei wählen</translation>
    </message>
    <message>
        <source>{} is carried at {} × {} pixels, so that presets with it stay small</source>
        <translation>{} wird mit {} × {} Pixeln mitgeführt, damit Vorgaben mit ihm klein bleiben</translation>
    </message>
    <message>
        <source>picture missing</source>
        <translation>Bild fehlt</translation>
    </message>
    <message>
        <source>{} names the picture “{}”, but its content did not come along: nothing is laid over. Choose the picture again.</source>
        <translation>{} nennt das Bild „{}“, aber sein Inhalt ist nicht mitgekommen: es wird nichts darübergelegt. Das Bild noch einmal wählen.</translation>
    </message>
    <message>
        <source>{}: {}. Nothing is laid over; choose the picture “{}” again.</source>
        <translation>{}: {}. Es wird nichts darübergelegt; das Bild „{}“ noch einmal wählen.</translation>
    </message>
    <message>
        <source>the picture {} is named, but its content is not there</source>
        <translation>das Bild {} ist genannt, aber sein Inhalt ist nicht da</translation>
    </message>
    <message>
        <source>choose the picture again and save</source>
        <translation>das Bild noch einmal wählen und speichern</translation>
    </message>
    <message>
        <source>Lays another picture over this one: steam, dust, paper, a light that fell into the lens.</source>
        <translation>Legt ein anderes Bild über dieses: Dampf, Staub, Papier, ein Licht, das ins Objektiv fiel.</translation>
    </message>
    <message>
        <source>The picture that is laid over; it goes along in presets.</source>
        <translation>Das Bild, das darübergelegt wird; es geht in Vorgaben mit.</translation>
    </message>
    <message>
        <source>How the overlay&apos;s colours are laid over the picture.</source>
        <translation>Wie seine Farben über das Bild gelegt werden.</translation>
    </message>
    <message>
        <source>How large it is; at 100 it just covers the frame.</source>
        <translation>Wie groß es ist; bei 100 deckt es den Ausschnitt gerade.</translation>
    </message>
    <message>
        <source>Turns it about its middle, clockwise to the right.</source>
        <translation>Dreht es um seine Mitte, nach rechts im Uhrzeigersinn.</translation>
    </message>
    <message>
        <source>Across</source>
        <translation>Quer</translation>
    </message>
    <message>
        <source>How far it lies right of the frame&apos;s middle; at 50 its own middle stands on the edge.</source>
        <translation>Wie weit es rechts von der Mitte des Ausschnitts liegt; bei 50 steht seine Mitte auf dem Rand.</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Abwärts</translation>
    </message>
    <message>
        <source>How far it lies below the frame&apos;s middle; at 50 its own middle stands on the edge.</source>
        <translation>Wie weit es unter der Mitte des Ausschnitts liegt; bei 50 steht seine Mitte auf dem Rand.</translation>
    </message>
    <message>
        <source>Mirror</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Left and right change places in it.</source>
        <translation>Links und rechts tauschen darin die Plätze.</translation>
    </message>
    <message>
        <source>Motion blur</source>
        <translation>Bewegung</translation>
    </message>
    <message>
        <source>Smears it along a line, in thousandths of the frame&apos;s long side.</source>
        <translation>Verwischt es entlang einer Linie, in Tausendsteln der langen Seite des Ausschnitts.</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>Along which line: at 0 across the frame, at 90 down it.</source>
        <translation>Entlang welcher Linie: bei 0 quer, bei 90 abwärts.</translation>
    </message>
    <message>
        <source>it is neither a JPEG nor a PNG</source>
        <translation>es ist weder ein JPEG noch ein PNG</translation>
    </message>
    <message>
        <source>it has {} × {} pixels</source>
        <translation>es hat {} × {} Pixel</translation>
    </message>
    <message>
        <source>it is not in RGB of 8 bits</source>
        <translation>es ist nicht in RGB mit 8 Bit</translation>
    </message>
    <message>
        <source>Set sample points</source>
        <translation>Messpunkte setzen</translation>
    </message>
    <message>
        <source>it has {} shapes; {} is the most</source>
        <translation>sie hat {} Formen; {} sind das meiste</translation>
    </message>
    <message>
        <source>{} lies outside {}…{}</source>
        <translation>{} liegt außerhalb von {}…{}</translation>
    </message>
    <message>
        <source>{} (its mask)</source>
        <translation>{} (ihre Maske)</translation>
    </message>
    <message>
        <source>Mask</source>
        <translation>Maske</translation>
    </message>
    <message>
        <source>See the mask</source>
        <translation>Die Maske sehen</translation>
    </message>
    <message>
        <source>Without the masked layers</source>
        <translation>Ohne die Ebenen mit Maske</translation>
    </message>
    <message>
        <source>A brush on the picture</source>
        <translation>Ein Pinsel auf dem Bild</translation>
    </message>
    <message>
        <source>Alt with the wheel, or with Up and Down, changes its size; Alt with Shift and the wheel, or with Left and Right, its softness; Ctrl held erases</source>
        <translation>Alt mit dem Rad oder mit Auf und Ab ändert seine Größe; Alt mit Umschalt und dem Rad oder mit Links und Rechts seine Weichheit; gehaltene Strg löscht</translation>
    </message>
    <message>
        <source>this is not the path of a stroke</source>
        <translation>das ist kein Weg eines Strichs</translation>
    </message>
    <message>
        <source>it is &quot;x y, x y, …&quot; in shares of the picture; take the stroke out</source>
        <translation>er ist „x y, x y, …“ in Anteilen des Bildes; nehmen Sie den Strich heraus</translation>
    </message>
    <message>
        <source>masks stand too deep in masks</source>
        <translation>Masken stehen zu tief in Masken</translation>
    </message>
    <message>
        <source>take this shape out</source>
        <translation>nehmen Sie diese Form heraus</translation>
    </message>
    <message>
        <source>the two places of a ramp must not lie on one another</source>
        <translation>die beiden Orte eines Verlaufs dürfen nicht aufeinander liegen</translation>
    </message>
    <message>
        <source>it has {} strokes; {} is the most</source>
        <translation>sie hat {} Striche; höchstens {} sind möglich</translation>
    </message>
    <message>
        <source>Fill</source>
        <translation>Füllung</translation>
    </message>
    <message>
        <source>Puts a colour or a gradient in the picture&apos;s place; the layer&apos;s blend mode, mask and strength say what is seen of it.</source>
        <translation>Setzt eine Farbe oder einen Verlauf an die Stelle des Bildes; Mischmodus, Maske und Stärke der Ebene sagen, was davon zu sehen ist.</translation>
    </message>
    <message>
        <source>What stands in the picture&apos;s place.</source>
        <translation>Was an der Stelle des Bildes steht.</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>One colour</source>
        <translation>Eine Farbe</translation>
    </message>
    <message>
        <source>Gradient</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Of the colour.</source>
        <translation>Der Farbe.</translation>
    </message>
    <message>
        <source>Chroma</source>
        <translation>Buntheit</translation>
    </message>
    <message>
        <source>How colourful it is.</source>
        <translation>Wie bunt sie ist.</translation>
    </message>
    <message>
        <source>Second lightness</source>
        <translation>Zweite Helligkeit</translation>
    </message>
    <message>
        <source>Of the colour at the gradient&apos;s other end.</source>
        <translation>Der Farbe am anderen Ende des Verlaufs.</translation>
    </message>
    <message>
        <source>Second hue</source>
        <translation>Zweiter Farbton</translation>
    </message>
    <message>
        <source>Of the second colour.</source>
        <translation>Der zweiten Farbe.</translation>
    </message>
    <message>
        <source>Second chroma</source>
        <translation>Zweite Buntheit</translation>
    </message>
    <message>
        <source>How colourful the second one is.</source>
        <translation>Wie bunt die zweite ist.</translation>
    </message>
    <message>
        <source>Which way the gradient goes: 0 is down, 90 to the right.</source>
        <translation>Wohin der Verlauf geht: 0 ist nach unten, 90 nach rechts.</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Where it leaves the first colour.</source>
        <translation>Wo er die erste Farbe verlässt.</translation>
    </message>
    <message>
        <source>End</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>Where it reaches the second colour.</source>
        <translation>Wo er die zweite Farbe erreicht.</translation>
    </message>
    <message>
        <source>its strokes go through {} places; {} is the most</source>
        <translation>ihre Striche gehen durch {} Orte; höchstens {} sind möglich</translation>
    </message>
    <message>
        <source>the outline is too small to find anything in it</source>
        <translation>die Linie ist zu klein, um etwas darin zu finden</translation>
    </message>
    <message>
        <source>draw round the object on the picture</source>
        <translation>umfahren Sie das Objekt auf dem Bild</translation>
    </message>
    <message>
        <source>Learn a LUT…</source>
        <translation>Eine LUT lernen…</translation>
    </message>
    <message>
        <source>it came back at {:.0f} × {:.0f} % of its size: it was read at that</source>
        <translation>es kam mit {:.0f} × {:.0f} % seiner Größe zurück: so wurde es gelesen</translation>
    </message>
    <message>
        <source>it is turned by {:.2f}°: it was read at that</source>
        <translation>es ist um {:.2f}° gedreht: so wurde es gelesen</translation>
    </message>
    <message>
        <source>it is cropped: of {} colours one cell of two is left</source>
        <translation>es ist beschnitten: von {} Farben ist eines von zwei Feldern übrig</translation>
    </message>
    <message>
        <source>{} colours are lost to the crop: they were filled from those beside them</source>
        <translation>{} Farben sind dem Beschnitt verloren gegangen: sie wurden aus denen daneben ergänzt</translation>
    </message>
    <message>
        <source>it was sharpened: cells were read away from their edges</source>
        <translation>es wurde geschärft: die Felder wurden abseits ihrer Ränder gelesen</translation>
    </message>
    <message>
        <source>it has noise or grain of {:.1f} levels: it was averaged away as far as it goes</source>
        <translation>es hat Rauschen oder Korn von {:.1f} Stufen: es wurde gemittelt, so weit das reicht</translation>
    </message>
    <message>
        <source>{} colours came back differently from two places: something was done to a part of it</source>
        <translation>{} Farben kamen von zwei Stellen verschieden zurück: an einem Teil wurde etwas getan</translation>
    </message>
    <message>
        <source>no pattern is found in it</source>
        <translation>darin findet sich kein Muster</translation>
    </message>
    <message>
        <source>take a picture that was made of a pattern of ours, or of a square cube at its own size, with its upper left corner in sight</source>
        <translation>nimm ein Bild, das aus einem unserer Muster oder aus einem Würfelquadrat in eigener Größe wurde, mit der linken oberen Ecke im Blick</translation>
    </message>
    <message>
        <source>a square cube is read pixel by pixel: whether it was cropped, sharpened or darkened toward its corners can&apos;t be told</source>
        <translation>ein Würfelquadrat wird Pixel für Pixel gelesen: ob es beschnitten, geschärft oder zu den Ecken hin abgedunkelt wurde, lässt sich nicht sagen</translation>
    </message>
    <message>
        <source>a square cube of level {} is outside 2…16</source>
        <translation>ein Würfelquadrat der Stufe {} liegt außerhalb von 2…16</translation>
    </message>
    <message>
        <source>choose 8: a cube of 64³ in 512 × 512 pixels</source>
        <translation>wähle 8: ein Würfel von 64³ in 512 × 512 Pixeln</translation>
    </message>
    <message>
        <source>a pattern of {} is outside {}…{}</source>
        <translation>ein Muster von {} liegt außerhalb von {}…{}</translation>
    </message>
    <message>
        <source>a vignette of {}{:.2f} stops in the corners was taken out: what was graded above it is only nearly right</source>
        <translation>eine Vignette von {}{:.2f} Blenden in den Ecken wurde herausgerechnet: was darüber gestaltet wurde, stimmt nur fast</translation>
    </message>
    <message>
        <source>it seems made for pictures in {}: read so it would leave greys where they are</source>
        <translation>sie scheint für Bilder in {} gemacht: so gelesen ließe sie Grau, wo es ist</translation>
    </message>
    <message>
        <source>it turns tones round at {:.1f} % of its steps, most at {:.2f} {:.2f} {:.2f}: what was lighter becomes darker there</source>
        <translation>sie kehrt Töne um, bei {:.1f} % ihrer Schritte, am meisten bei {:.2f} {:.2f} {:.2f}: was heller war, wird dort dunkler</translation>
    </message>
    <message>
        <source>it draws neighbouring greys {:.0f} levels apart near {:.0f} %: a picture of 8 bits may show bands</source>
        <translation>sie zieht benachbarte Graustufen um {:.0f} Stufen auseinander, nahe {:.0f} %: ein Bild mit 8 Bit kann Streifen zeigen</translation>
    </message>
    <message>
        <source>it tints greys, most at {:.0f} %, toward {}</source>
        <translation>sie färbt Grau, am meisten bei {:.0f} %, zu {}</translation>
    </message>
    <message>
        <source>it turns skin by {:.0f}° toward yellow</source>
        <translation>sie dreht Haut um {:.0f}° zu Gelb</translation>
    </message>
    <message>
        <source>it turns skin by {:.0f}° toward red</source>
        <translation>sie dreht Haut um {:.0f}° zu Rot</translation>
    </message>
    <message>
        <source>it makes skin {:.1f} times as colourful</source>
        <translation>sie macht Haut {:.1f}-mal so bunt</translation>
    </message>
    <message>
        <source>pink</source>
        <translation>Rosa</translation>
    </message>
    <message>
        <source>red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>orange</source>
        <translation>Orange</translation>
    </message>
    <message>
        <source>yellow</source>
        <translation>Gelb</translation>
    </message>
    <message>
        <source>green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>cyan</source>
        <translation>Cyan</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>magenta</source>
        <translation>Magenta</translation>
    </message>
    <message>
        <source>it clips {} at the light end, in up to {:.0f} % of all colours</source>
        <translation>sie beschneidet {} am hellen Ende, in bis zu {:.0f} % aller Farben</translation>
    </message>
    <message>
        <source>it clips {} at the dark end, in up to {:.0f} % of all colours</source>
        <translation>sie beschneidet {} am dunklen Ende, in bis zu {:.0f} % aller Farben</translation>
    </message>
    <message>
        <source>a pattern is a PNG or a TIFF: others would change its colours</source>
        <translation>ein Muster ist ein PNG oder ein TIFF: andere würden seine Farben verändern</translation>
    </message>
    <message>
        <source>end the name in .png or .tif</source>
        <translation>lass den Namen auf .png oder .tif enden</translation>
    </message>
    <message>
        <source>a picture of ours</source>
        <translation>ein Bild von uns</translation>
    </message>
    <message>
        <source>there are no colours to learn from</source>
        <translation>es gibt keine Farben, aus denen zu lernen wäre</translation>
    </message>
    <message>
        <source>name a LUT, a pattern, or pictures before and after</source>
        <translation>nenne eine LUT, ein Muster oder Bilder davor und danach</translation>
    </message>
    <message>
        <source>nowhere do the two pictures show the same thing alike</source>
        <translation>nirgends zeigen die beiden Bilder dasselbe auf gleiche Art</translation>
    </message>
    <message>
        <source>choose a version with less done to its parts</source>
        <translation>wähle eine Fassung, an deren Teilen weniger getan wurde</translation>
    </message>
    <message>
        <source>the one after is {:.1f} % as large: it was laid on the one before</source>
        <translation>das danach ist {:.1f} % so groß: es wurde auf das davor gelegt</translation>
    </message>
    <message>
        <source>it is turned by {:.2f}°: that was undone</source>
        <translation>es ist um {:.2f}° gedreht: das wurde zurückgenommen</translation>
    </message>
    <message>
        <source>it shows {:.0f} % of the picture before: the rest was left out</source>
        <translation>es zeigt {:.0f} % des Bildes davor: der Rest blieb weg</translation>
    </message>
    <message>
        <source>a vignette of {}{:.2f} stops in the corners was taken out</source>
        <translation>eine Vignette von {}{:.2f} Blenden in den Ecken wurde herausgenommen</translation>
    </message>
    <message>
        <source>in {:.0f} % of it something else was done than elsewhere: a painted light, a mask, a retouch; that was left out</source>
        <translation>auf {:.0f} % davon wurde etwas anderes getan als sonst: ein gemaltes Licht, eine Maske, eine Retusche; das blieb weg</translation>
    </message>
    <message>
        <source>Rest</source>
        <translation>Rest</translation>
    </message>
    <message>
        <source>Found in {}, what was left behind it as a LUT; over all colours ΔE {:.2f} in the mean, {:.2f} at worst.</source>
        <translation>Gefunden in {}, was übrig war als LUT dahinter; über alle Farben ΔE {:.2f} im Mittel, {:.2f} schlimmstenfalls.</translation>
    </message>
    <message>
        <source>Found in {}; over all colours ΔE {:.2f} in the mean, {:.2f} at worst.</source>
        <translation>Gefunden in {}; über alle Farben ΔE {:.2f} im Mittel, {:.2f} schlimmstenfalls.</translation>
    </message>
    <message>
        <source>these are not one picture: their edges do not fit on each other</source>
        <translation>das ist nicht ein Bild: ihre Kanten passen nicht aufeinander</translation>
    </message>
    <message>
        <source>choose a picture and a graded version of it, turned alike</source>
        <translation>wähle ein Bild und eine gestaltete Fassung davon, gleich gedreht</translation>
    </message>
    <message>
        <source>a .3dl file has no room for the 1D table that light needs</source>
        <translation>eine .3dl-Datei hat keinen Platz für die 1D-Tabelle, die Licht braucht</translation>
    </message>
    <message>
        <source>choose a .cube file, or another space to read</source>
        <translation>wähle eine .cube-Datei oder einen anderen gelesenen Raum</translation>
    </message>
    <message>
        <source>Rec. 2020</source>
        <translation>Rec. 2020</translation>
    </message>
    <message>
        <source>Survey the set</source>
        <translation>Die Serie durchsehen</translation>
    </message>
    <message>
        <source>Match the set&apos;s light</source>
        <translation>Das Licht der Serie angleichen</translation>
    </message>
    <message>
        <source>line 1</source>
        <translation>Zeile 1</translation>
    </message>
    <message>
        <source>this is no journal of a run</source>
        <translation>das ist kein Protokoll eines Laufs</translation>
    </message>
    <message>
        <source>move it away, and start without --resume</source>
        <translation>Es beiseitelegen und ohne --resume beginnen</translation>
    </message>
    <message>
        <source>the journal is empty</source>
        <translation>das Protokoll ist leer</translation>
    </message>
    <message>
        <source>delete it, and start without --resume</source>
        <translation>Es löschen und ohne --resume beginnen</translation>
    </message>
    <message>
        <source>{} lines of the journal are damaged: what they told of is made again</source>
        <translation>{} Zeilen des Protokolls sind beschädigt: was sie nannten, wird neu gemacht</translation>
    </message>
    <message>
        <source>{} files of the journal are none of this plan and stay as they are</source>
        <translation>{} Dateien des Protokolls gehören nicht zu diesem Plan und bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>the look holds no preset</source>
        <translation>der Look enthält keine Vorgabe</translation>
    </message>
    <message>
        <source>make the plan anew</source>
        <translation>Den Plan neu anlegen</translation>
    </message>
    <message>
        <source>there is no such picture or look</source>
        <translation>ein solches Bild oder einen solchen Look gibt es nicht</translation>
    </message>
    <message>
        <source>count both from 0</source>
        <translation>Beide von 0 an zählen</translation>
    </message>
    <message>
        <source>no file is asked for</source>
        <translation>es ist keine Datei verlangt</translation>
    </message>
    <message>
        <source>add a kind of file</source>
        <translation>eine Art von Datei hinzufügen</translation>
    </message>
    <message>
        <source>cannot write: {}</source>
        <translation>kann nicht geschrieben werden: {}</translation>
    </message>
    <message>
        <source>make room on the disk, or choose another folder</source>
        <translation>Platz auf der Platte schaffen oder einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>the name ends neither in .pdf nor in .png</source>
        <translation>der Name endet weder auf .pdf noch auf .png</translation>
    </message>
    <message>
        <source>add one of them</source>
        <translation>eines davon anhängen</translation>
    </message>
    <message>
        <source>there is no picture to put on the sheet</source>
        <translation>es gibt kein Bild für den Kontaktbogen</translation>
    </message>
    <message>
        <source>run the batch first</source>
        <translation>erst den Stapel laufen lassen</translation>
    </message>
    <message>
        <source>so many pictures are more than one PNG holds</source>
        <translation>so viele Bilder fasst ein PNG nicht</translation>
    </message>
    <message>
        <source>name the sheet .pdf, or put more of them in a row</source>
        <translation>den Bogen .pdf nennen oder mehr Bilder in eine Zeile setzen</translation>
    </message>
    <message>
        <source>&quot;{}&quot; can&apos;t be {}</source>
        <translation>„{}“ kann nicht {} sein</translation>
    </message>
    <message>
        <source>see the guide to the command line for what each field takes</source>
        <translation>die Anleitung zur Befehlszeile sagt, was jedes Feld annimmt</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no field of a file</source>
        <translation>„{}“ ist kein Feld einer Datei</translation>
    </message>
    <message>
        <source>write the format, then fields as name=value, of: {}</source>
        <translation>erst das Format schreiben, dann Felder als Name=Wert, aus: {}</translation>
    </message>
    <message>
        <source>a file of the kind {} holds no float numbers</source>
        <translation>eine Datei der Art {} fasst keine Gleitkommazahlen</translation>
    </message>
    <message>
        <source>choose TIFF, or whole numbers</source>
        <translation>TIFF wählen oder ganze Zahlen</translation>
    </message>
    <message>
        <source>a file of the kind {} does not have {} bits</source>
        <translation>eine Datei der Art {} hat keine {} Bit</translation>
    </message>
    <message>
        <source>choose 8 bits, or PNG or TIFF</source>
        <translation>8 Bit wählen, oder PNG oder TIFF</translation>
    </message>
    <message>
        <source>choose an ICC profile of an RGB printer, screen or working space</source>
        <translation>ein ICC-Profil eines RGB-Druckers, Bildschirms oder Arbeitsfarbraums wählen</translation>
    </message>
    <message>
        <source>the folder holds no raw file, JPEG, PNG, TIFF, WebP or AVIF picture</source>
        <translation>der Ordner enthält keine Rohdatei und kein Bild als JPEG, PNG, TIFF, WebP oder AVIF</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no size</source>
        <translation>„{}“ ist keine Größe</translation>
    </message>
    <message>
        <source>write 2400 px for the long side, 2400 x 1600 for a box, 6 MP or 50 %; nothing for its own size</source>
        <translation>2400 px für die lange Seite schreiben, 2400 x 1600 für einen Kasten, 6 MP oder 50 %; nichts für die eigene Größe</translation>
    </message>
    <message>
        <source>the mark &quot;{}&quot; has letters that the typeface has not</source>
        <translation>die Marke „{}“ hat Buchstaben, die die Schrift nicht hat</translation>
    </message>
    <message>
        <source>write other letters, or take a picture for a mark</source>
        <translation>andere Buchstaben schreiben oder ein Bild als Marke nehmen</translation>
    </message>
    <message>
        <source>the mark is too long for a line</source>
        <translation>die Marke ist zu lang für eine Zeile</translation>
    </message>
    <message>
        <source>write no more than 400 letters</source>
        <translation>nicht mehr als 400 Buchstaben schreiben</translation>
    </message>
    <message>
        <source>this machine does not work with the instruction set &quot;{}&quot;</source>
        <translation>dieser Rechner arbeitet nicht mit dem Befehlssatz „{}“</translation>
    </message>
    <message>
        <source>ask for one that all machines have; here: {}</source>
        <translation>einen verlangen, den alle Rechner haben; hier: {}</translation>
    </message>
    <message>
        <source>cannot write: the disk was full</source>
        <translation>kann nicht geschrieben werden: die Platte war voll</translation>
    </message>
    <message>
        <source>free some space or choose another folder</source>
        <translation>Platz schaffen oder einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>check the name, or whether the folder was moved</source>
        <translation>den Namen prüfen, oder ob der Ordner verschoben wurde</translation>
    </message>
    <message>
        <source>the key picture can&apos;t be read: {}</source>
        <translation>das Schlüsselbild kann nicht gelesen werden: {}</translation>
    </message>
    <message>
        <source>choose another as the key</source>
        <translation>ein anderes als Schlüssel wählen</translation>
    </message>
    <message>
        <source>{} could not be matched and keeps its own Prep</source>
        <translation>{} konnte nicht angeglichen werden und behält die eigene Vorbereitung</translation>
    </message>
    <message>
        <source>the plan writes into the folder that is to be watched</source>
        <translation>der Plan schreibt in den Ordner, der beobachtet werden soll</translation>
    </message>
    <message>
        <source>watch another folder, or have the plan write elsewhere</source>
        <translation>einen anderen Ordner beobachten oder den Plan anderswohin schreiben lassen</translation>
    </message>
    <message>
        <source>Can be part of a LUT.</source>
        <translation>Kann Teil einer LUT sein.</translation>
    </message>
    <message>
        <source>Stays out of a LUT: it needs to know where a pixel lies, or what lies around it.</source>
        <translation>Bleibt aus einer LUT heraus: sie muss wissen, wo ein Bildpunkt liegt oder was um ihn liegt.</translation>
    </message>
    <message>
        <source>What is this?</source>
        <translation>Was ist das?</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Anleitung</translation>
    </message>
    <message>
        <source>develop, camera, sensor, negative, demosaic, white balance, highlight recovery, blown, flat, log, dng</source>
        <translation>entwickeln, Kamera, Sensor, Negativ, Weißabgleich, Lichter, ausgebrannt, flach, log, dng</translation>
    </message>
    <message>
        <source>It is there from the start for a camera&apos;s raw file. Say here what light was white, and take Flat where a film response or a strong curve follows.</source>
        <translation>Bei der Rohdatei einer Kamera ist sie von Anfang an da. Hier sagt man, welches Licht weiß war, und nimmt Flach, wo ein Filmcharakter oder eine starke Kurve folgt.</translation>
    </message>
    <message>
        <source>denoise, noise reduction, high iso, speckles, blotches, smooth, clean</source>
        <translation>entrauschen, Bildrauschen, hohe ISO, Sprenkel, Flecken, glätten, sauber</translation>
    </message>
    <message>
        <source>chromatic aberration, purple fringe, green fringe, colour seam, edges, lens</source>
        <translation>chromatische Aberration, violetter Saum, grüner Saum, Farbsaum, Kanten, Objektiv</translation>
    </message>
    <message>
        <source>Where bare twigs or a roof stand against a bright sky with a purple line along them.</source>
        <translation>Wo kahle Zweige oder ein Dach vor hellem Himmel stehen und eine violette Linie daran entlangläuft.</translation>
    </message>
    <message>
        <source>distortion, barrel, pincushion, lateral chromatic aberration, vignetting, corner shading, falloff, profile, wide angle, bent lines</source>
        <translation>Verzeichnung, Tonne, Kissen, Farbquerfehler, Randabfall, dunkle Ecken, Profil, Weitwinkel, gebogene Linien</translation>
    </message>
    <message>
        <source>For walls and horizons that bend, and corners that are darker than the middle. One press takes back what is known of the lens.</source>
        <translation>Für Wände und Horizonte, die sich biegen, und Ecken, die dunkler sind als die Mitte. Ein Druck nimmt zurück, was vom Objektiv bekannt ist.</translation>
    </message>
    <message>
        <source>crop, cut, trim, level, straighten, horizon, rotate, turn, mirror, flip, upside down, ratio, format, reframe, panorama, perspective, keystone, converging lines, architecture</source>
        <translation>zuschneiden, beschneiden, Beschnitt, gerade richten, Horizont, drehen, Seitenverhältnis, Format, Panorama, spiegeln, kopfüber, Perspektive, stürzende Linien, Architektur</translation>
    </message>
    <message>
        <source>For a level horizon, uprights that stand, and the proportions of the page. What is outside is kept.</source>
        <translation>Für einen waagrechten Horizont, Senkrechte, die stehen, und das Format der Seite. Was außen liegt, bleibt erhalten.</translation>
    </message>
    <message>
        <source>brighter, darker, lighten, darken, burn, dodge, stop, too dark, too bright</source>
        <translation>heller, dunkler, aufhellen, abdunkeln, nachbelichten, abwedeln, Blende, zu dunkel, zu hell</translation>
    </message>
    <message>
        <source>For a picture that is too dark or too bright as a whole. In Prep it is this picture&apos;s own; in the Look it belongs to the style.</source>
        <translation>Für ein Bild, das im Ganzen zu dunkel oder zu hell ist. In der Vorbereitung gehört sie diesem Bild; im Look gehört sie zum Stil.</translation>
    </message>
    <message>
        <source>colour cast, too blue, too yellow, neutral grey, lamp light, daylight, kelvin</source>
        <translation>Farbstich, zu blau, zu gelb, neutrales Grau, Lampenlicht, Tageslicht, Kelvin</translation>
    </message>
    <message>
        <source>For a picture with a cast that is nobody&apos;s wish: press the picker on something that should be grey.</source>
        <translation>Für ein Bild mit einem Stich, den niemand will: mit der Pipette auf etwas drücken, das grau sein soll.</translation>
    </message>
    <message>
        <source>warmer, cooler, cold, evening, sunset, golden, winter, cosy</source>
        <translation>wärmer, kühler, kalt, Abend, Sonnenuntergang, golden, Winter, behaglich</translation>
    </message>
    <message>
        <source>For a style that is cooler or warmer than the picture, whatever light it was taken in.</source>
        <translation>Für einen Stil, der kühler oder wärmer ist als das Bild, in welchem Licht es auch entstand.</translation>
    </message>
    <message>
        <source>contrast, flat, punch, highlights, shadows, burn, burnt out, blown, recover, soft, matte, faded, fade, haze, roll off, too bright, too dark</source>
        <translation>Kontrast, flau, knackig, Lichter, Schatten, ausgebrannt, überstrahlt, retten, weich, matt, verblasst, Dunst, auslaufen, zu hell, zu dunkel</translation>
    </message>
    <message>
        <source>The first thing to try for a flat or a hard picture: the four ranges of brightness, each moved by itself without losing the folds.</source>
        <translation>Das Erste, was man an einem flauen oder harten Bild versucht: die vier Bereiche der Helligkeit, jeder für sich bewegt, ohne Falten zu verlieren.</translation>
    </message>
    <message>
        <source>black point, white point, gamma, haze, fog, paper, print, lift, faded, fade, matte</source>
        <translation>Schwarzpunkt, Weißpunkt, Gamma, Dunst, Nebel, Papier, Druck, anheben, verblasst, matt</translation>
    </message>
    <message>
        <source>To set where black and white lie: haze taken off, or paper that cannot print a full black.</source>
        <translation>Um zu setzen, wo Schwarz und Weiß liegen: Dunst weg, oder Papier, das kein volles Schwarz druckt.</translation>
    </message>
    <message>
        <source>contrast, s curve, matte, faded, fade, lifted blacks, soft, cross process, burn, dodge</source>
        <translation>Kontrast, S-Kurve, matt, verblasst, angehobenes Schwarz, weich, crossentwickelt, nachbelichten, abwedeln</translation>
    </message>
    <message>
        <source>For contrast drawn by hand, and for colours that differ between darks and lights: a faded black, a cool shadow.</source>
        <translation>Für Kontrast von Hand, und für Farben, die in Tiefen und Lichtern verschieden sind: ein verblasstes Schwarz, ein kühler Schatten.</translation>
    </message>
    <message>
        <source>colour balance, shadows, midtones, highlights, tint, mood, cinema, teal, grade</source>
        <translation>Farbbalance, Schatten, Mitteltöne, Lichter, Tönung, Stimmung, Kino, petrol</translation>
    </message>
    <message>
        <source>For the mood of a scene: darks to one colour, lights to the one across from it. Small pulls go far.</source>
        <translation>Für die Stimmung einer Szene: Tiefen zu einer Farbe, Lichter zur gegenüberliegenden. Kleine Züge reichen weit.</translation>
    </message>
    <message>
        <source>two colours, duotone, tint, shadows, highlights, mood, faded, old photograph</source>
        <translation>zwei Farben, Duplex, Tönung, Schatten, Lichter, Stimmung, verblasst, altes Foto</translation>
    </message>
    <message>
        <source>For two colours and a balance between them, where wheels would be more than is wanted.</source>
        <translation>Für zwei Farben und ein Gleichgewicht dazwischen, wo Räder mehr wären als nötig.</translation>
    </message>
    <message>
        <source>one colour, change a colour, selective, skin, sky, grass, leaves, autumn, skin tone</source>
        <translation>eine Farbe, Farbe ändern, selektiv, Haut, Himmel, Gras, Laub, Herbst, Hautton</translation>
    </message>
    <message>
        <source>For one colour among the others: a curtain, leaves, skin. Press on the picture to find its band.</source>
        <translation>Für eine Farbe unter den anderen: ein Vorhang, Laub, Haut. Auf das Bild drücken findet ihr Band.</translation>
    </message>
    <message>
        <source>selective, colour cast, complementary, cyan, magenta, yellow, ink, density, autumn</source>
        <translation>selektiv, Farbstich, komplementär, Cyan, Magenta, Gelb, Druckfarbe, Dichte, Herbst</translation>
    </message>
    <message>
        <source>For families of colour moved by hand in the terms of ink, mostly to take a cast out of one family.</source>
        <translation>Für Farbfamilien, von Hand in den Begriffen der Druckfarben bewegt, meist um einer Familie einen Stich zu nehmen.</translation>
    </message>
    <message>
        <source>vivid, colourful, muted, pastel, quiet, faded, fade, soft, grey, desaturate, skin</source>
        <translation>bunt, kräftig, gedämpft, pastell, ruhig, verblasst, weich, grau, entsättigen, Haut</translation>
    </message>
    <message>
        <source>clipping, clipped colours, too colourful, neon, lost folds, out of range, hold in, printable</source>
        <translation>beschnitten, gekappte Farben, zu bunt, neon, verlorene Falten, außerhalb, fassen, druckbar</translation>
    </message>
    <message>
        <source>At the end of a Look with strong colours: holds in what a file or a printer could not show, and keeps its folds.</source>
        <translation>Am Ende eines Looks mit starken Farben: hält herein, was eine Datei oder ein Drucker nicht zeigen könnte, und behält die Falten.</translation>
    </message>
    <message>
        <source>camera, calibrate, turn colours, other look, orange, teal</source>
        <translation>Kamera, kalibrieren, Farben drehen, anderer Look, orange, petrol</translation>
    </message>
    <message>
        <source>To make a camera&apos;s colours another camera&apos;s, and for styles that turn all hues of one kind together.</source>
        <translation>Um die Farben einer Kamera zu denen einer anderen zu machen, und für Stile, die alle Farbtöne einer Art miteinander drehen.</translation>
    </message>
    <message>
        <source>swap colours, infrared, cross process, matrix, mixer</source>
        <translation>Farben tauschen, Infrarot, crossentwickelt, Matrix, Mischer</translation>
    </message>
    <message>
        <source>For swapped channels, infrared, and other mixtures of what red, green and blue hold.</source>
        <translation>Für vertauschte Kanäle, Infrarot und andere Mischungen aus dem, was Rot, Grün und Blau enthalten.</translation>
    </message>
    <message>
        <source>black and white, grey, mono, old photograph, sepia, ink, filter, vintage</source>
        <translation>schwarzweiß, grau, mono, altes Foto, Sepia, Tinte, Filter, alt</translation>
    </message>
    <message>
        <source>For black and white: say how light each colour becomes, so that a red coat and green grass are not one grey.</source>
        <translation>Für Schwarzweiß: sagt, wie hell jede Farbe wird, damit ein roter Mantel und grünes Gras nicht ein Grau sind.</translation>
    </message>
    <message>
        <source>duotone, two colours, sepia, old photograph, vintage, poster, fade, faded</source>
        <translation>Duplex, zwei Farben, Sepia, altes Foto, alt, Plakat, verblasst</translation>
    </message>
    <message>
        <source>For duotones and printed looks: every brightness gets the colour that the gradient has there.</source>
        <translation>Für Zweitöner und gedruckte Looks: jede Helligkeit bekommt die Farbe, die der Verlauf dort hat.</translation>
    </message>
    <message>
        <source>gel, lamp, haze, fog, solid, paint, graduated, sky, blend, flat</source>
        <translation>Folie, Lampe, Dunst, Nebel, einfarbig, Farbe, verlaufend, Himmel, mischen, flächig</translation>
    </message>
    <message>
        <source>For haze, a coloured gel, a graduated sky: one colour or two, laid over by a mode and a strength.</source>
        <translation>Für Dunst, eine Farbfolie, einen Himmel mit Verlauf: eine Farbe oder zwei, mit Mischung und Stärke darübergelegt.</translation>
    </message>
    <message>
        <source>film, analogue, print, negative, slide, old photograph, vintage, faded, fade, soft, nostalgia</source>
        <translation>Film, analog, Abzug, Negativ, Dia, altes Foto, alt, verblasst, weich, Nostalgie</translation>
    </message>
    <message>
        <source>For the way of film and print: how light fades into white and black, with the colours of its layers.</source>
        <translation>Für die Art von Film und Abzug: wie Licht in Weiß und Schwarz ausläuft, mit den Farben seiner Schichten.</translation>
    </message>
    <message>
        <source>cube, 3dl, look file, table, load</source>
        <translation>cube, 3dl, Lookdatei, Tabelle, laden</translation>
    </message>
    <message>
        <source>For a look that came as a file. Say what space it is meant for, and how much of it is wanted.</source>
        <translation>Für einen Look, der als Datei kam. Hier sagt man, für welchen Farbraum er gedacht ist und wie viel davon man will.</translation>
    </message>
    <message>
        <source>glow, haze, dreamy, soft light, lamps, stars, mist, diffusion, soft focus</source>
        <translation>Leuchten, Glühen, Dunst, verträumt, weiches Licht, Lampen, Sterne, Nebel, Weichzeichner, Schein</translation>
    </message>
    <message>
        <source>For lamps, mist and windows that glow into what is beside them.</source>
        <translation>Für Lampen, Nebel und Fenster, die in das leuchten, was neben ihnen ist.</translation>
    </message>
    <message>
        <source>sharpen, sharp, sharpness, clear, crisp, blur, soften, texture, unsharp, high pass</source>
        <translation>schärfen, scharf, Schärfe, klar, knackig, weichzeichnen, Struktur, unscharf maskieren, Hochpass</translation>
    </message>
    <message>
        <source>To make structure crisper or softer. Judge it at 100 %.</source>
        <translation>Um Struktur knackiger oder weicher zu machen. Bei 100 % beurteilen.</translation>
    </message>
    <message>
        <source>structure, texture, haze, mist, punch, clear, soften, fog, micro contrast</source>
        <translation>Struktur, Textur, Dunst, Nebel, Biss, klar, weicher, Mikrokontrast</translation>
    </message>
    <message>
        <source>For haze and flat light: the large forms stand out, without the blacks and whites moving.</source>
        <translation>Für Dunst und flaches Licht: die großen Formen treten hervor, ohne dass Schwarz und Weiß wandern.</translation>
    </message>
    <message>
        <source>glow, red edge, film, lamps, analogue, warm seam, night, old photograph</source>
        <translation>Glühen, roter Rand, Film, Lampen, analog, warmer Saum, Nacht, altes Foto</translation>
    </message>
    <message>
        <source>For the warm seam that film has round a lamp.</source>
        <translation>Für den warmen Saum, den Film um eine Lampe hat.</translation>
    </message>
    <message>
        <source>dark corners, burn, edges, frame, spotlight, focus, old photograph</source>
        <translation>dunkle Ecken, Ränder, Rahmen, Scheinwerfer, Blickfang, altes Foto</translation>
    </message>
    <message>
        <source>To lead the eye: the corners become darker or lighter, round a middle that you place.</source>
        <translation>Um das Auge zu führen: die Ecken werden dunkler oder heller, um eine Mitte, die man setzt.</translation>
    </message>
    <message>
        <source>texture, dust, scratches, steam, smoke, snow, rain, paper, light leak, flare, double exposure, logo, signature, picture in picture, layer a picture</source>
        <translation>Textur, Staub, Kratzer, Dampf, Rauch, Schnee, Regen, Papier, Lichteinfall, Reflex, Doppelbelichtung, Logo, Unterschrift, Bild im Bild, Bild auflegen</translation>
    </message>
    <message>
        <source>For steam, paper, scratches or a mark: another picture laid over this one.</source>
        <translation>Für Dampf, Papier, Kratzer oder ein Zeichen: ein anderes Bild über diesem.</translation>
    </message>
    <message>
        <source>film, noise, analogue, texture, old photograph, vintage, gritty, banding, print</source>
        <translation>Film, Rauschen, analog, Textur, altes Foto, rau, Abrisse, Druck</translation>
    </message>
    <message>
        <source>For texture like that of film, and to hide steps in a smooth sky.</source>
        <translation>Für Struktur wie die von Film, und um Stufen in einem glatten Himmel zu verbergen.</translation>
    </message>
    <message>
        <source>letterbox, black border, cinema, wide screen, band, title, mask, format, ratio</source>
        <translation>schwarzer Rand, Kino, Breitbild, Streifen, Titel, Maske, Format, Seitenverhältnis</translation>
    </message>
    <message>
        <source>For a wide frame within another format, and a band for a title.</source>
        <translation>Für ein breites Bild in einem anderen Format, und ein Band für einen Titel.</translation>
    </message>
    <message>
        <source>For more or less colour as a whole. Muted colours alone spares what is colourful already.</source>
        <translation>Für mehr oder weniger Farbe im Ganzen. Matte Farben allein schont, was schon bunt ist.</translation>
    </message>
    <message>
        <source>Empty what was deleted…</source>
        <translation>Gelöschtes leeren…</translation>
    </message>
    <message>
        <source>Soft proof</source>
        <translation>Druckansicht</translation>
    </message>
    <message>
        <source>Soft proof as…</source>
        <translation>Druckansicht als…</translation>
    </message>
    <message>
        <source>this profile can&apos;t show what a device makes of a picture</source>
        <translation>dieses Profil kann nicht zeigen, was ein Gerät aus einem Bild macht</translation>
    </message>
    <message>
        <source>choose the ICC profile of a printer, a press or a screen</source>
        <translation>wählen Sie das ICC-Profil eines Druckers, einer Presse oder eines Bildschirms</translation>
    </message>
    <message>
        <source>Picture in a second window</source>
        <translation>Bild in einem zweiten Fenster</translation>
    </message>
    <message>
        <source>For pictures taken in little light, before anything makes the specks stand out. It can be set by measuring the picture; less than what takes all of them away is mostly enough.</source>
        <translation>Für Bilder aus wenig Licht, bevor etwas die Punkte hervorhebt. Man kann das Bild vermessen und es danach einstellen lassen; weniger, als alle wegzunehmen, genügt meist.</translation>
    </message>
    <message>
        <source>Export presets as LUTs…</source>
        <translation>Vorgaben als LUTs ausgeben…</translation>
    </message>
    <message>
        <source>two would have this name: {} and {}</source>
        <translation>zwei hätten diesen Namen: {} und {}</translation>
    </message>
    <message>
        <source>put {preset}, {folder} or {n} into the names</source>
        <translation>nehmen Sie {preset}, {folder} oder {n} in die Namen auf</translation>
    </message>
    <message>
        <source>a LUT</source>
        <translation>eine LUT</translation>
    </message>
    <message>
        <source>the name says {}, but .{} is written</source>
        <translation>der Name sagt {}, geschrieben wird aber .{}</translation>
    </message>
    <message>
        <source>end the names in .{ext}</source>
        <translation>die Namen auf .{ext} enden lassen</translation>
    </message>
    <message>
        <source>CLF files need a part of Baryton that is not here</source>
        <translation>CLF-Dateien brauchen einen Teil von Baryton, der nicht da ist</translation>
    </message>
    <message>
        <source>install baryton-clf, or use a .cube file</source>
        <translation>baryton-clf installieren, oder eine .cube-Datei nehmen</translation>
    </message>
    <message>
        <source>the file is larger than any table of use</source>
        <translation>die Datei ist größer als jede brauchbare Tabelle</translation>
    </message>
    <message>
        <source>the file holds {}, which a CLF file does not</source>
        <translation>die Datei enthält {}, was in einer CLF-Datei nicht vorkommt</translation>
    </message>
    <message>
        <source>OpenColorIO can&apos;t read it: {}</source>
        <translation>OpenColorIO kann sie nicht lesen: {}</translation>
    </message>
    <message>
        <source>a value of the table is no number</source>
        <translation>ein Wert der Tabelle ist keine Zahl</translation>
    </message>
    <message>
        <source>OpenColorIO says: {}</source>
        <translation>OpenColorIO sagt: {}</translation>
    </message>
    <message>
        <source>choose a .cube, .3dl or .clf file</source>
        <translation>eine .cube-, .3dl- oder .clf-Datei wählen</translation>
    </message>
    <message>
        <source>read from a picture of {} colours along an edge</source>
        <translation>aus einem Bild mit {} Farben je Kante gelesen</translation>
    </message>
    <message>
        <source>Added</source>
        <translation>Hinzugefügt</translation>
    </message>
    <message>
        <source>its steps were worked out at 65 × 65 × 65 colours within 0…1</source>
        <translation>ihre Schritte wurden an 65 × 65 × 65 Farben innerhalb 0…1 ausgerechnet</translation>
    </message>
    <message>
        <source>its steps were worked out at 4 096 tones within 0…1</source>
        <translation>ihre Schritte wurden an 4 096 Tönen innerhalb 0…1 ausgerechnet</translation>
    </message>
    <message>
        <source>entry {}</source>
        <translation>Eintrag {}</translation>
    </message>
    <message>
        <source>tones go back here: two become one, and can&apos;t be told again</source>
        <translation>hier gehen Töne zurück: zwei werden einer und sind nicht mehr zu unterscheiden</translation>
    </message>
    <message>
        <source>only a table that rises throughout can be undone</source>
        <translation>nur eine Tabelle, die durchweg steigt, lässt sich zurücknehmen</translation>
    </message>
    <message>
        <source>all tones become one, and can&apos;t be told again</source>
        <translation>alle Töne werden einer und sind nicht mehr zu unterscheiden</translation>
    </message>
    <message>
        <source>{}, taken back</source>
        <translation>{}, zurückgenommen</translation>
    </message>
    <message>
        <source>the picture is no LUT: neither a square cube nor a pattern of ours at its own size</source>
        <translation>das Bild ist keine LUT: weder ein Würfelquadrat noch unser Muster in seiner eigenen Größe</translation>
    </message>
    <message>
        <source>name a .cube, .3dl or .clf file; a pattern that was resized or cropped can be learned from</source>
        <translation>eine .cube-, .3dl- oder .clf-Datei nennen; aus einem Muster, das vergrößert oder beschnitten wurde, lässt sich lernen</translation>
    </message>
    <message>
        <source>nobody graded this pattern: it changes nothing</source>
        <translation>dieses Muster hat niemand gestaltet: es ändert nichts</translation>
    </message>
    <message>
        <source>Outside</source>
        <translation>Außerhalb</translation>
    </message>
    <message>
        <source>Colours beyond those that the table is made for: all as at its edge, or on as it slopes there. Lights brighter than white then stay apart.</source>
        <translation>Farben, für die die Tabelle nicht gemacht ist: alle wie an ihrem Rand, oder weiter, wie sie dort steigt. Lichter über Weiß bleiben dann unterschieden.</translation>
    </message>
    <message>
        <source>Clamp</source>
        <translation>Begrenzen</translation>
    </message>
    <message>
        <source>Continue</source>
        <translation>Fortsetzen</translation>
    </message>
</context>
<context>
    <name>baryton::AddStageList</name>
    <message>
        <source>Add a stage</source>
        <translation>Eine Stufe hinzufügen</translation>
    </message>
    <message>
        <source>Find a stage, or what it is for</source>
        <translation>Stufe suchen oder wozu sie dient</translation>
    </message>
    <message>
        <source>No stage has to do with that. Try what the picture should become: “soft”, “faded”, “warmer”, “black and white”.</source>
        <translation>Damit hat keine Stufe zu tun. Versuchen Sie, was das Bild werden soll: „weich“, „verblasst“, „wärmer“, „schwarzweiß“.</translation>
    </message>
</context>
<context>
    <name>baryton::AppState</name>
    <message>
        <source>%1 (%2 pictures)</source>
        <translation>%1 (%2 Bilder)</translation>
    </message>
    <message numerus="yes">
        <source>Undone: %1. %n other pictures were changed since and keep their state</source>
        <translation>
            <numerusform>Rückgängig gemacht: %1. Ein anderes Bild wurde seither geändert und behält seinen Stand</numerusform>
            <numerusform>Rückgängig gemacht: %1. %n andere Bilder wurden seither geändert und behalten ihren Stand</numerusform>
        </translation>
    </message>
    <message>
        <source>Undone: %1</source>
        <translation>Rückgängig gemacht: %1</translation>
    </message>
    <message>
        <source>Done again: %1</source>
        <translation>Wiederholt: %1</translation>
    </message>
    <message>
        <source>Preset %1</source>
        <translation>Vorgabe %1</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Swap preset %1 for %2</source>
        <translation>Vorgabe %1 gegen %2 tauschen</translation>
    </message>
    <message>
        <source>Preset %1 on</source>
        <translation>Vorgabe %1 ein</translation>
    </message>
    <message>
        <source>Preset %1 off</source>
        <translation>Vorgabe %1 aus</translation>
    </message>
    <message>
        <source>Preset %1: strength %2</source>
        <translation>Vorgabe %1: Stärke %2</translation>
    </message>
    <message>
        <source>Take off preset %1</source>
        <translation>Vorgabe %1 abnehmen</translation>
    </message>
    <message>
        <source>Save over %1</source>
        <translation>%1 überschreiben</translation>
    </message>
    <message>
        <source>%1: %2 values taken over. Undo brings the old ones back</source>
        <translation>%1: %2 Werte übernommen. Rückgängig holt die alten zurück</translation>
    </message>
    <message>
        <source>before: source</source>
        <translation>vorher: Quelle</translation>
    </message>
    <message>
        <source>before: Prep only</source>
        <translation>vorher: nur Vorbereitung</translation>
    </message>
    <message>
        <source>before: %1</source>
        <translation>vorher: %1</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>Reset Prep</source>
        <translation>Vorbereitung zurücksetzen</translation>
    </message>
    <message>
        <source>Reset the Look</source>
        <translation>Look zurücksetzen</translation>
    </message>
    <message>
        <source>Reset Finish</source>
        <translation>Abschluss zurücksetzen</translation>
    </message>
    <message>
        <source>Reset the picture</source>
        <translation>Bild zurücksetzen</translation>
    </message>
    <message numerus="yes">
        <source>%1 stays on this picture; on %n others it was taken back</source>
        <translation>
            <numerusform>%1 bleibt auf diesem Bild; auf %n anderem wurde es zurückgenommen</numerusform>
            <numerusform>%1 bleibt auf diesem Bild; auf %n anderen wurde es zurückgenommen</numerusform>
        </translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>the start</source>
        <translation>der Anfang</translation>
    </message>
    <message>
        <source>as %1</source>
        <translation>wie %1</translation>
    </message>
    <message>
        <source>from %1, changed</source>
        <translation>von %1 aus, geändert</translation>
    </message>
    <message>
        <source>Keep a take</source>
        <translation>Fassung behalten</translation>
    </message>
    <message>
        <source>Kept as %1. It stays as it is; what you do now goes on from it</source>
        <translation>Behalten als %1. Sie bleibt, wie sie ist; was nun folgt, geht von ihr aus</translation>
    </message>
    <message>
        <source>Go on from %1</source>
        <translation>Weiter von %1</translation>
    </message>
    <message>
        <source>Going on from %1</source>
        <translation>Weiter von %1</translation>
    </message>
    <message>
        <source>Going on from %1; what was in hand is kept as %2</source>
        <translation>Weiter von %1; was in Arbeit war, ist als %2 behalten</translation>
    </message>
    <message>
        <source>%1 is no file of lenses that can be read</source>
        <translation>%1 ist keine lesbare Datei mit Objektiven</translation>
    </message>
    <message>
        <source>before: uncut source</source>
        <translation>vorher: ungeschnittene Quelle</translation>
    </message>
    <message>
        <source>The picture was left before its object was found: draw round it again</source>
        <translation>Das Bild wurde verlassen, ehe sein Objekt gefunden war: umfahren Sie es noch einmal</translation>
    </message>
    <message>
        <source>%1 (Prep)</source>
        <translation>%1 (Vorbereitung)</translation>
    </message>
    <message>
        <source>%1 (Finish)</source>
        <translation>%1 (Abschluss)</translation>
    </message>
    <message>
        <source>%1 (in the layer)</source>
        <translation>%1 (in der Ebene)</translation>
    </message>
</context>
<context>
    <name>baryton::BatchPage</name>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>Batch: looks</source>
        <translation>Stapel: Looks</translation>
    </message>
    <message>
        <source>Files to make</source>
        <translation>Zu machende Dateien</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Start</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Open folder</source>
        <translation>Ordner öffnen</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>looks</source>
        <translation>Looks</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>for example %1</source>
        <translation>zum Beispiel %1</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Own grade</source>
        <translation>Eigene Gestaltung</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>rendering…</source>
        <translation>wird gerechnet…</translation>
    </message>
    <message>
        <source>done · %1</source>
        <translation>fertig · %1</translation>
    </message>
    <message>
        <source> · see note</source>
        <translation> · siehe Hinweis</translation>
    </message>
    <message>
        <source>skipped, is there</source>
        <translation>ausgelassen, schon da</translation>
    </message>
    <message>
        <source>failed: %1</source>
        <translation>misslungen: %1</translation>
    </message>
    <message>
        <source>The last run made %1 of %2 files. Continue makes the rest.</source>
        <translation>Der letzte Lauf schrieb %1 von %2 Dateien. Weiter macht den Rest.</translation>
    </message>
    <message>
        <source>The last run made %1 of %2 files.</source>
        <translation>Der letzte Lauf schrieb %1 von %2 Dateien.</translation>
    </message>
    <message>
        <source>Continue</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>not made</source>
        <translation>nicht gemacht</translation>
    </message>
    <message>
        <source>tint </source>
        <translation>Tönung </translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>to be made, not graded</source>
        <translation>noch zu machen, ohne Bearbeitung</translation>
    </message>
    <message>
        <source>to be made</source>
        <translation>noch zu machen</translation>
    </message>
    <message>
        <source>Survey</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Angleichen</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>What of the batch is shown</source>
        <translation>Was vom Stapel gezeigt wird</translation>
    </message>
    <message>
        <source>On which pictures does the look fail?</source>
        <translation>Auf welchen Bildern versagt der Look?</translation>
    </message>
    <message>
        <source>Exposure and white balance of each picture so that the look sits alike on all</source>
        <translation>Belichtung und Weißabgleich jedes Bildes, damit der Look auf allen gleich sitzt</translation>
    </message>
    <message>
        <source>The files that the run makes</source>
        <translation>Die Dateien, die der Lauf schreibt</translation>
    </message>
    <message>
        <source>Batch: %1</source>
        <translation>Stapel: %1</translation>
    </message>
    <message>
        <source> · at %1 %</source>
        <translation> · mit %1 %</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>kind of file</source>
        <translation>Art von Datei</translation>
    </message>
    <message>
        <source>kinds of file</source>
        <translation>Arten von Datei</translation>
    </message>
    <message>
        <source>; the longest %1</source>
        <translation>; der längste %1</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>The files in hand are finished; the rest waits until it goes on</source>
        <translation>Was in Arbeit ist, wird fertig; der Rest wartet, bis es weitergeht</translation>
    </message>
    <message>
        <source>Retry failed</source>
        <translation>Fehler wiederholen</translation>
    </message>
    <message>
        <source>Makes the files that failed, and leaves alone what is made</source>
        <translation>Macht die misslungenen Dateien und lässt, was fertig ist</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>Anstellen</translation>
    </message>
    <message>
        <source>Go on</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>Results</source>
        <translation>Ergebnisse</translation>
    </message>
    <message>
        <source>Contact sheet…</source>
        <translation>Kontaktbogen …</translation>
    </message>
    <message>
        <source>Save report…</source>
        <translation>Bericht sichern …</translation>
    </message>
    <message>
        <source>Contact sheet</source>
        <translation>Kontaktbogen</translation>
    </message>
    <message>
        <source>Contact sheets (*.pdf *.png)</source>
        <translation>Kontaktbögen (*.pdf *.png)</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Bericht</translation>
    </message>
    <message>
        <source>Reports (*.csv *.json)</source>
        <translation>Berichte (*.csv *.json)</translation>
    </message>
    <message>
        <source>a contact sheet of this program</source>
        <translation>ein Kontaktbogen dieses Programms</translation>
    </message>
    <message>
        <source>Drawing the contact sheet…</source>
        <translation>Der Kontaktbogen wird gezeichnet …</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>a report of this program</source>
        <translation>ein Bericht dieses Programms</translation>
    </message>
    <message>
        <source>A batch is running</source>
        <translation>Ein Stapel läuft</translation>
    </message>
    <message>
        <source>Begins when the run of &quot;%1&quot; has ended</source>
        <translation>Beginnt, wenn der Lauf von „%1“ zu Ende ist</translation>
    </message>
    <message>
        <source> · %1 more in the queue</source>
        <translation> · %1 weitere angestellt</translation>
    </message>
    <message>
        <source>%1 of %2 done</source>
        <translation>%1 von %2 fertig</translation>
    </message>
    <message>
        <source>%1 of %2 made</source>
        <translation>%1 von %2 gemacht</translation>
    </message>
    <message>
        <source>Make this picture next</source>
        <translation>Dieses Bild als nächstes</translation>
    </message>
    <message>
        <source>Open in Grade</source>
        <translation>In Gestalten öffnen</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Save as a plan…</source>
        <translation>Als Plan sichern …</translation>
    </message>
    <message>
        <source>Run a plan…</source>
        <translation>Einen Plan laufen lassen …</translation>
    </message>
    <message>
        <source>Save as a plan</source>
        <translation>Als Plan sichern</translation>
    </message>
    <message>
        <source>Plans (*.bplan)</source>
        <translation>Pläne (*.bplan)</translation>
    </message>
    <message>
        <source>Run a plan</source>
        <translation>Einen Plan laufen lassen</translation>
    </message>
    <message>
        <source>a plan</source>
        <translation>ein Plan</translation>
    </message>
    <message>
        <source>this plan is running</source>
        <translation>dieser Plan läuft gerade</translation>
    </message>
    <message>
        <source>wait until it has ended</source>
        <translation>warten, bis er zu Ende ist</translation>
    </message>
    <message>
        <source>this plan asks for the instruction set &quot;{}&quot;, and {} is in use here</source>
        <translation>dieser Plan verlangt den Befehlssatz „{}“, hier ist {} in Gebrauch</translation>
    </message>
    <message>
        <source>run it by baryton-cli batch, which can do with less</source>
        <translation>mit baryton-cli batch laufen lassen, das auch mit weniger auskommt</translation>
    </message>
    <message>
        <source>has no such take</source>
        <translation>hat keine solche Fassung</translation>
    </message>
    <message>
        <source>matched: %1</source>
        <translation>angeglichen: %1</translation>
    </message>
    <message>
        <source>Take %1</source>
        <translation>Fassung %1</translation>
    </message>
    <message>
        <source>The light of the set is being matched</source>
        <translation>Das Licht der Bilder wird angeglichen</translation>
    </message>
    <message>
        <source>Matching the light of the set…</source>
        <translation>Das Licht der Bilder wird angeglichen …</translation>
    </message>
    <message>
        <source>Watch a folder…</source>
        <translation>Einen Ordner beobachten …</translation>
    </message>
    <message>
        <source>Watched folder…</source>
        <translation>Beobachteter Ordner …</translation>
    </message>
    <message>
        <source>One folder is being watched already: Plan, Watched folder… ends that</source>
        <translation>Ein Ordner wird schon beobachtet: Plan, Beobachteter Ordner … beendet das</translation>
    </message>
    <message>
        <source>Watch a folder</source>
        <translation>Einen Ordner beobachten</translation>
    </message>
    <message>
        <source>Batch: pictures</source>
        <translation>Stapel: Bilder</translation>
    </message>
    <message>
        <source>Only this picture</source>
        <translation>Nur dieses Bild</translation>
    </message>
    <message>
        <source>Only those chosen in Grade (%1)</source>
        <translation>Nur die in Gestalten gewählten (%1)</translation>
    </message>
    <message>
        <source>All pictures</source>
        <translation>Alle Bilder</translation>
    </message>
    <message>
        <source> − %1 left out</source>
        <translation> − %1 ausgelassen</translation>
    </message>
</context>
<context>
    <name>baryton::BatchRun</name>
    <message>
        <source>Stopped. %1 of %2 files are made, none is half written. Continue makes the rest.</source>
        <translation>Angehalten. %1 von %2 Dateien sind geschrieben, keine halb. Weiter macht den Rest.</translation>
    </message>
    <message>
        <source>%1 of %2 files are done in %3 s.</source>
        <translation>%1 von %2 Dateien sind in %3 s fertig.</translation>
    </message>
    <message>
        <source> %1 failed; point at them in the table to read why.</source>
        <translation> %1 misslangen; in der Tabelle darauf zeigen, um den Grund zu lesen.</translation>
    </message>
    <message>
        <source>waits for the run before it</source>
        <translation>wartet auf den Lauf davor</translation>
    </message>
    <message>
        <source>Stopping…</source>
        <translation>Hält an…</translation>
    </message>
    <message>
        <source>Finishing the files in hand…</source>
        <translation>Beendet die Dateien in Arbeit…</translation>
    </message>
    <message>
        <source>%1 of %2 files</source>
        <translation>%1 von %2 Dateien</translation>
    </message>
    <message>
        <source> · %1 failed</source>
        <translation> · %1 misslungen</translation>
    </message>
    <message>
        <source> · paused, the files in hand are finished</source>
        <translation> · angehalten, was in Arbeit ist, wird fertig</translation>
    </message>
    <message>
        <source> · %1 files a second</source>
        <translation> · %1 Dateien je Sekunde</translation>
    </message>
    <message>
        <source> · about %1 s left</source>
        <translation> · noch etwa %1 s</translation>
    </message>
    <message>
        <source> · about %1 min left</source>
        <translation> · noch etwa %1 min</translation>
    </message>
</context>
<context>
    <name>baryton::BeforeRunSheet</name>
    <message>
        <source>Before the run begins</source>
        <translation>Bevor der Lauf beginnt</translation>
    </message>
    <message>
        <source>There may not be enough room</source>
        <translation>Vielleicht reicht der Platz nicht</translation>
    </message>
    <message>
        <source>About %1 will be written, and %2 are free in that folder. Another folder, a smaller size or another format would help; a run that finds the disk full keeps what it has made and can go on later.</source>
        <translation>Etwa %1 werden geschrieben, und %2 sind in diesem Ordner frei. Ein anderer Ordner, eine kleinere Größe oder ein anderes Format würde helfen; ein Lauf, der die Platte voll findet, behält, was er gemacht hat, und kann später weitergehen.</translation>
    </message>
    <message>
        <source>%1 of %2 files are there already</source>
        <translation>%1 von %2 Dateien sind schon da</translation>
    </message>
    <message>
        <source>Whichever you choose, pictures that you opened and what other programs wrote stay as they are.</source>
        <translation>Was immer gewählt wird: geöffnete Bilder und was andere Programme schrieben, bleiben, wie sie sind.</translation>
    </message>
    <message>
        <source>Number the new ones</source>
        <translation>Die neuen nummerieren</translation>
    </message>
    <message>
        <source>The new files get a number behind their names</source>
        <translation>Die neuen Dateien bekommen eine Nummer hinter ihren Namen</translation>
    </message>
    <message>
        <source>Skip them</source>
        <translation>Sie auslassen</translation>
    </message>
    <message>
        <source>What is there stays; only the others are made</source>
        <translation>Was da ist, bleibt; nur die anderen werden gemacht</translation>
    </message>
    <message>
        <source>Replace them</source>
        <translation>Sie ersetzen</translation>
    </message>
    <message>
        <source>What Baryton itself wrote is written over, never anything else</source>
        <translation>Was Baryton selbst schrieb, wird überschrieben, sonst nie etwas</translation>
    </message>
    <message>
        <source>Start all the same</source>
        <translation>Trotzdem beginnen</translation>
    </message>
    <message>
        <source>Do not start</source>
        <translation>Nicht beginnen</translation>
    </message>
    <message>
        <source>Running</source>
        <translation>Lauf</translation>
    </message>
</context>
<context>
    <name>baryton::CarryTree</name>
    <message>
        <source>What the preset carries</source>
        <translation>Was die Vorgabe mitnimmt</translation>
    </message>
    <message>
        <source>Change the value</source>
        <translation>Den Wert ändern</translation>
    </message>
    <message>
        <source>Drop from the preset</source>
        <translation>Aus der Vorgabe nehmen</translation>
    </message>
    <message>
        <source>value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>values</source>
        <translation>Werte</translation>
    </message>
    <message>
        <source>unchanged</source>
        <translation>unverändert</translation>
    </message>
    <message>
        <source>unknown stage</source>
        <translation>unbekannte Stufe</translation>
    </message>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>belongs to this picture</source>
        <translation>gehört zu diesem Bild</translation>
    </message>
    <message>
        <source>Exposure and white balance were set for this one picture; on others they would be wrong. Tick them only if every picture needs just these.</source>
        <translation>Belichtung und Weißabgleich wurden für dieses eine Bild eingestellt; an anderen wären sie falsch. Nur anhaken, wenn jedes Bild genau diese braucht.</translation>
    </message>
    <message>
        <source>Look · %1</source>
        <translation>Look · %1</translation>
    </message>
    <message>
        <source>Finish</source>
        <translation>Abschluss</translation>
    </message>
    <message>
        <source>whole frame</source>
        <translation>ganzes Bild</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>%1 of the layer</source>
        <translation>%1 der Ebene</translation>
    </message>
</context>
<context>
    <name>baryton::ChainScroll</name>
    <message>
        <source>Earlier stages</source>
        <translation>Frühere Stufen</translation>
    </message>
    <message>
        <source>Later stages</source>
        <translation>Spätere Stufen</translation>
    </message>
    <message>
        <source>There is more of the chain this way</source>
        <translation>In dieser Richtung geht die Kette weiter</translation>
    </message>
</context>
<context>
    <name>baryton::ChainView</name>
    <message>
        <source>Chain</source>
        <translation>Kette</translation>
    </message>
    <message>
        <source>Add a stage</source>
        <translation>Eine Stufe hinzufügen</translation>
    </message>
    <message>
        <source>%1 · %2 %</source>
        <translation>%1 · %2 %</translation>
    </message>
    <message>
        <source> · off</source>
        <translation> · aus</translation>
    </message>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>this picture only</source>
        <translation>nur dieses Bild</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>shared</source>
        <translation>für alle</translation>
    </message>
    <message>
        <source>%1 of %2 stages bake</source>
        <translation>%1 von %2 Stufen passen in LUTs</translation>
    </message>
    <message>
        <source>Finish</source>
        <translation>Abschluss</translation>
    </message>
    <message>
        <source>whole frame</source>
        <translation>ganzes Bild</translation>
    </message>
    <message>
        <source>Move the layer earlier</source>
        <translation>Ebene nach vorn</translation>
    </message>
    <message>
        <source>Move the layer later</source>
        <translation>Ebene nach hinten</translation>
    </message>
    <message>
        <source>Merge down</source>
        <translation>Nach unten vereinen</translation>
    </message>
    <message>
        <source>Delete the layer</source>
        <translation>Ebene löschen</translation>
    </message>
    <message>
        <source>Add a layer</source>
        <translation>Ebene hinzufügen</translation>
    </message>
    <message>
        <source>Reset</source>
        <translation>Zurücksetzen</translation>
    </message>
    <message>
        <source>Split the layer here</source>
        <translation>Die Ebene hier teilen</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Verdoppeln</translation>
    </message>
    <message>
        <source>Move earlier</source>
        <translation>Nach vorn</translation>
    </message>
    <message>
        <source>Move later</source>
        <translation>Nach hinten</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Copy the grade</source>
        <translation>Gestaltung kopieren</translation>
    </message>
    <message>
        <source>Paste to the chosen pictures…</source>
        <translation>Auf die gewählten Bilder einfügen…</translation>
    </message>
    <message>
        <source>Save as a preset…</source>
        <translation>Als Vorgabe sichern…</translation>
    </message>
    <message>
        <source>Rename the stage</source>
        <translation>Stufe umbenennen</translation>
    </message>
    <message>
        <source>A preset finds the stage again by its name; empty for the usual one</source>
        <translation>Eine Vorgabe findet die Stufe an ihrem Namen wieder; leer für den üblichen</translation>
    </message>
    <message>
        <source>Reset the layer</source>
        <translation>Ebene zurücksetzen</translation>
    </message>
    <message>
        <source>Reset Prep</source>
        <translation>Vorbereitung zurücksetzen</translation>
    </message>
    <message>
        <source>Reset the Look</source>
        <translation>Look zurücksetzen</translation>
    </message>
    <message>
        <source>Reset Finish</source>
        <translation>Abschluss zurücksetzen</translation>
    </message>
    <message>
        <source>Adds a stage at the end of the Look</source>
        <translation>Fügt am Ende des Looks eine Stufe an</translation>
    </message>
    <message>
        <source>Add to Prep</source>
        <translation>Zur Vorbereitung hinzufügen</translation>
    </message>
    <message>
        <source>Add to the Finish</source>
        <translation>Zum Abschluss hinzufügen</translation>
    </message>
    <message>
        <source>Adds a stage to Prep, for this picture alone</source>
        <translation>Fügt der Vorbereitung eine Stufe hinzu, nur für dieses Bild</translation>
    </message>
    <message>
        <source>Prep has all its stages</source>
        <translation>Die Vorbereitung hat alle ihre Stufen</translation>
    </message>
    <message>
        <source>Adds a stage to the Finish, over the whole frame</source>
        <translation>Fügt dem Abschluss eine Stufe hinzu, über das ganze Bild</translation>
    </message>
    <message>
        <source>The Finish has all its stages</source>
        <translation>Der Abschluss hat alle seine Stufen</translation>
    </message>
    <message>
        <source> · covers nothing</source>
        <translation> · deckt nichts</translation>
    </message>
    <message>
        <source> · covers all</source>
        <translation> · deckt alles</translation>
    </message>
    <message>
        <source>What is this?</source>
        <translation>Was ist das?</translation>
    </message>
</context>
<context>
    <name>baryton::ChannelMixEditor</name>
    <message>
        <source>Down: the channel that is made. Across: how much of each goes into it.</source>
        <translation>Nach unten: der Kanal, der entsteht. Nach rechts: wie viel von jedem hineingeht.</translation>
    </message>
    <message>
        <source>Red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>offset</source>
        <translation>Versatz</translation>
    </message>
</context>
<context>
    <name>baryton::CheckWall</name>
    <message>
        <source>Check pictures with the preset</source>
        <translation>Prüfbilder mit der Vorgabe</translation>
    </message>
    <message>
        <source>Choose check pictures at the left</source>
        <translation>Links Prüfbilder wählen</translation>
    </message>
    <message>
        <source>Check pictures without a preset</source>
        <translation>Prüfbilder ohne Vorgabe</translation>
    </message>
    <message>
        <source>%1 on the check pictures</source>
        <translation>%1 auf den Prüfbildern</translation>
    </message>
    <message>
        <source>%1 (left)  ·  %2 (right)</source>
        <translation>%1 (links)  ·  %2 (rechts)</translation>
    </message>
</context>
<context>
    <name>baryton::ClosingSheet</name>
    <message>
        <source>A batch is running</source>
        <translation>Ein Stapel läuft</translation>
    </message>
    <message>
        <source>A batch is still running.</source>
        <translation>Es läuft noch ein Stapel.</translation>
    </message>
    <message>
        <source>Whichever you choose, no file is left half written, and the next start knows what is made and goes on with the rest.</source>
        <translation>Was auch gewählt wird: Keine Datei bleibt halb geschrieben, und der nächste Start weiß, was gemacht ist, und geht mit dem Rest weiter.</translation>
    </message>
    <message>
        <source>Stop after the files in hand</source>
        <translation>Nach den Dateien in Arbeit anhalten</translation>
    </message>
    <message>
        <source>Go on in the background</source>
        <translation>Im Hintergrund weiter</translation>
    </message>
    <message>
        <source>The window closes; the program ends by itself when all files are made</source>
        <translation>Das Fenster schließt; das Programm endet von selbst, wenn alle Dateien gemacht sind</translation>
    </message>
    <message>
        <source>Stay</source>
        <translation>Bleiben</translation>
    </message>
    <message>
        <source>Running</source>
        <translation>Lauf</translation>
    </message>
</context>
<context>
    <name>baryton::ColourDisc</name>
    <message>
        <source>skin</source>
        <translation>Haut</translation>
    </message>
    <message>
        <source>%1: no pull</source>
        <translation>%1: kein Zug</translation>
    </message>
    <message>
        <source>%1: hue %2°, amount %3</source>
        <translation>%1: Farbton %2°, Menge %3</translation>
    </message>
</context>
<context>
    <name>baryton::ColourMovesSheet</name>
    <message>
        <source>Where %1 takes colours</source>
        <translation>Wohin %1 Farben bringt</translation>
    </message>
    <message>
        <source>A LUT of unknown making</source>
        <translation>Eine LUT unbekannter Herkunft</translation>
    </message>
</context>
<context>
    <name>baryton::ColourMovesView</name>
    <message>
        <source>Before → after</source>
        <translation>Vorher → nachher</translation>
    </message>
    <message>
        <source>First → second</source>
        <translation>Erste → zweite</translation>
    </message>
    <message>
        <source>All colours</source>
        <translation>Alle Farben</translation>
    </message>
    <message>
        <source>One lightness</source>
        <translation>Eine Helligkeit</translation>
    </message>
    <message>
        <source>Lightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>Drag to turn; a double press turns it back. Black is below, white above; the line is the greys. A ring: clipped here, and was not before</source>
        <translation>Ziehen dreht; ein Doppelklick dreht zurück. Schwarz ist unten, Weiß oben; die Linie sind die Grautöne. Ein Ring: hier abgeschnitten, vorher nicht</translation>
    </message>
    <message>
        <source>Greys in the middle, colourful ones outside: red right, yellow above, green left, blue below. A ring: clipped here, and was not before</source>
        <translation>Grautöne in der Mitte, Buntes außen: Rot rechts, Gelb oben, Grün links, Blau unten. Ein Ring: hier abgeschnitten, vorher nicht</translation>
    </message>
    <message>
        <source>Being worked out…</source>
        <translation>Wird ausgerechnet…</translation>
    </message>
    <message>
        <source>The two take colours ΔE %1 apart on average, the farthest by %2: one makes %3 of what the other makes %4 (red, green, blue in 8 bits).</source>
        <translation>Die beiden bringen Farben im Mittel um ΔE %1 auseinander, höchstens um %2: die eine macht %3, woraus die andere %4 macht (Rot, Grün, Blau in 8 Bit).</translation>
    </message>
    <message>
        <source>Colours move by ΔE %1 on average, the farthest by %2: from %3 to %4 (red, green, blue in 8 bits).</source>
        <translation>Farben verschieben sich im Mittel um ΔE %1, die weiteste um %2: von %3 nach %4 (Rot, Grün, Blau in 8 Bit).</translation>
    </message>
</context>
<context>
    <name>baryton::CompareBar</name>
    <message>
        <source>Fit</source>
        <translation>Passend</translation>
    </message>
    <message>
        <source>100 %</source>
        <translation>100 %</translation>
    </message>
    <message>
        <source>200 %</source>
        <translation>200 %</translation>
    </message>
    <message>
        <source>Before</source>
        <translation>Vorher</translation>
    </message>
    <message>
        <source>Shows the version before as long as it is held (key B)</source>
        <translation>Zeigt den Stand vorher, solange gehalten wird (Taste B)</translation>
    </message>
    <message>
        <source>Wipe</source>
        <translation>Wischen</translation>
    </message>
    <message>
        <source>The version before on one side of a line that can be dragged (W; Shift+W lays it across)</source>
        <translation>Der Stand vorher auf einer Seite einer Linie, die sich ziehen lässt (W; Umschalt+W legt sie quer)</translation>
    </message>
    <message>
        <source>Beside</source>
        <translation>Daneben</translation>
    </message>
    <message>
        <source>The version before beside the one now, at the same place and scale (D)</source>
        <translation>Der Stand vorher neben dem jetzigen, an gleicher Stelle und in gleicher Größe (D)</translation>
    </message>
    <message>
        <source>Grid</source>
        <translation>Raster</translation>
    </message>
    <message>
        <source>The chosen pictures of the tray together (G)</source>
        <translation>Die gewählten Bilder der Ablage zusammen (G)</translation>
    </message>
    <message>
        <source>Reference</source>
        <translation>Referenz</translation>
    </message>
    <message>
        <source>A picture of any kind beside, its samples on the same scopes</source>
        <translation>Ein beliebiges Bild daneben, seine Messpunkte in denselben Messbildern</translation>
    </message>
    <message>
        <source>What before means</source>
        <translation>Was vorher bedeutet</translation>
    </message>
    <message>
        <source>Which pictures an edit changes</source>
        <translation>Welche Bilder eine Änderung trifft</translation>
    </message>
    <message>
        <source>before = source</source>
        <translation>vorher = Quelle</translation>
    </message>
    <message>
        <source>before = Prep only</source>
        <translation>vorher = Vorber.</translation>
    </message>
    <message>
        <source>before = %1</source>
        <translation>vorher = %1</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>All %1 change · only this</source>
        <translation>Alle %1 · nur dieses</translation>
    </message>
    <message>
        <source>This one changes · all %1</source>
        <translation>Nur dieses · alle %1</translation>
    </message>
    <message>
        <source>Edits: this picture</source>
        <translation>Ändert: dieses Bild</translation>
    </message>
    <message>
        <source>Every edit changes all %1 chosen pictures, as one step. A press makes it only this picture: what was just done to several is taken back on the others</source>
        <translation>Jede Änderung gilt allen %1 gewählten Bildern, als ein Schritt. Ein Druck macht es nur dieses Bild: Was eben an mehreren getan wurde, wird an den anderen zurückgenommen</translation>
    </message>
    <message>
        <source>Edits change the key picture alone. A press lets them go to all %1 chosen ones</source>
        <translation>Änderungen gelten nur dem Hauptbild. Ein Druck lässt sie für alle %1 gewählten gelten</translation>
    </message>
    <message>
        <source>Edits change the key picture. Choose several in the tray to edit them together</source>
        <translation>Änderungen gelten dem Hauptbild. Mehrere in der Ablage wählen, um sie zusammen zu bearbeiten</translation>
    </message>
    <message>
        <source>before = uncut</source>
        <translation>vorher = ungeschnitten</translation>
    </message>
</context>
<context>
    <name>baryton::CrashSheet</name>
    <message>
        <source>The last time</source>
        <translation>Das letzte Mal</translation>
    </message>
    <message>
        <source>After a crash</source>
        <translation>Nach einem Absturz</translation>
    </message>
    <message>
        <source>Baryton ended without being closed.</source>
        <translation>Baryton endete, ohne geschlossen zu werden.</translation>
    </message>
    <message>
        <source>Grades are kept as you work: nothing of them is lost, and a batch goes on where it was.</source>
        <translation>Gestaltungen werden beim Arbeiten festgehalten: nichts davon ist verloren, und ein Stapel geht weiter, wo er war.</translation>
    </message>
    <message numerus="yes">
        <source>%n more</source>
        <translation>
            <numerusform>%n weiteres</numerusform>
            <numerusform>%n weitere</numerusform>
        </translation>
    </message>
    <message>
        <source>Open was: %1</source>
        <translation>Offen war: %1</translation>
    </message>
    <message>
        <source>It was ended from outside, or the power went: there is no report.</source>
        <translation>Es wurde von außen beendet, oder der Strom fiel aus: es gibt keinen Bericht.</translation>
    </message>
    <message>
        <source>What is known of it. Nothing is sent anywhere; whoever mends the program can use it.</source>
        <translation>Was man darüber weiß. Nichts wird irgendwohin gesendet; wer das Programm richtet, kann es brauchen.</translation>
    </message>
    <message>
        <source>Report</source>
        <translation>Bericht</translation>
    </message>
    <message>
        <source>Copy the report</source>
        <translation>Bericht kopieren</translation>
    </message>
    <message>
        <source>Open it again</source>
        <translation>Wieder öffnen</translation>
    </message>
</context>
<context>
    <name>baryton::CubeView</name>
    <message>
        <source>%1 colours, turned by %2°, tilted by %3°</source>
        <translation>%1 Farben, um %2° gedreht, um %3° geneigt</translation>
    </message>
</context>
<context>
    <name>baryton::CurveView</name>
    <message>
        <source>%1 points</source>
        <translation>%1 Punkte</translation>
    </message>
    <message>
        <source>point %1 of %2: %3 to %4</source>
        <translation>Punkt %1 von %2: %3 auf %4</translation>
    </message>
</context>
<context>
    <name>baryton::CurvesEditor</name>
    <message>
        <source>RGB</source>
        <translation>RGB</translation>
    </message>
    <message>
        <source>Luma</source>
        <translation>Luma</translation>
    </message>
    <message>
        <source>Channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>Hold hue</source>
        <translation>Farbton halten</translation>
    </message>
    <message>
        <source>Monotone</source>
        <translation>Monoton</translation>
    </message>
    <message>
        <source>Natural</source>
        <translation>Natürlich</translation>
    </message>
    <message>
        <source>Channel</source>
        <translation>Kanal</translation>
    </message>
    <message>
        <source>Tone curve</source>
        <translation>Tonkurve</translation>
    </message>
    <message>
        <source>in</source>
        <translation>ein</translation>
    </message>
    <message>
        <source>out</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Point %1</source>
        <translation>Punkt %1</translation>
    </message>
    <message>
        <source>Point %1 of %2</source>
        <translation>Punkt %1 von %2</translation>
    </message>
    <message>
        <source>%1 points; press to add</source>
        <translation>%1 Punkte; Klick fügt an</translation>
    </message>
</context>
<context>
    <name>baryton::EditorPanel</name>
    <message>
        <source>On picture</source>
        <translation>Am Bild</translation>
    </message>
    <message>
        <source>Reset</source>
        <translation>Rücksetzen</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>On</source>
        <translation>Ein</translation>
    </message>
    <message>
        <source>Turns this on and off</source>
        <translation>Schaltet dies ein und aus</translation>
    </message>
    <message>
        <source>Press on the picture and drag: the point, band or row that the colour belongs to is found and moved (P)</source>
        <translation>Auf das Bild drücken und ziehen: der Punkt, das Band oder die Zeile, zu der die Farbe gehört, wird gefunden und bewegt (P)</translation>
    </message>
    <message>
        <source>Kept settings</source>
        <translation>Aufbewahrte Einstellungen</translation>
    </message>
    <message>
        <source>Settings kept for this kind of stage; pointing tries one</source>
        <translation>Aufbewahrte Einstellungen für diese Art von Stufe; Zeigen probiert eine aus</translation>
    </message>
    <message>
        <source>Back to how it was when the picture was opened; once more, to the defaults</source>
        <translation>Zurück zum Stand beim Öffnen des Bildes; noch einmal: zu den Ausgangswerten</translation>
    </message>
    <message>
        <source>How much of it is felt: 0 as if it were off, 100 fully</source>
        <translation>Wie viel davon zu spüren ist: 0 wie ausgeschaltet, 100 ganz</translation>
    </message>
    <message>
        <source>Save preset…</source>
        <translation>Sichern…</translation>
    </message>
    <message>
        <source>Export LUT…</source>
        <translation>LUT ausgeben…</translation>
    </message>
    <message>
        <source>Takes and steps</source>
        <translation>Fassungen und Schritte</translation>
    </message>
    <message>
        <source>Takes of this picture and what was done to it (Ctrl+H)</source>
        <translation>Fassungen dieses Bildes und was mit ihm getan wurde (Strg+H)</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>The presets in place of the tray (Ctrl+L)</source>
        <translation>Die Vorgaben an der Stelle der Ablage (Strg+L)</translation>
    </message>
    <message>
        <source>Close this editor</source>
        <translation>Diesen Editor schließen</translation>
    </message>
    <message>
        <source>Pin this editor beside</source>
        <translation>Diesen Editor daneben anheften</translation>
    </message>
    <message>
        <source>Keep these settings…</source>
        <translation>Diese Einstellungen aufbewahren…</translation>
    </message>
    <message>
        <source>Nothing kept yet</source>
        <translation>Noch nichts aufbewahrt</translation>
    </message>
    <message>
        <source>Keep these settings</source>
        <translation>Diese Einstellungen aufbewahren</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>This stage comes from a newer Baryton. It is kept as it is and changes nothing here.</source>
        <translation>Diese Stufe kommt aus einem neueren Baryton. Sie bleibt, wie sie ist, und ändert hier nichts.</translation>
    </message>
    <message>
        <source>This picture has no such stage. The editor comes back with the next one that has it.</source>
        <translation>Dieses Bild hat keine solche Stufe. Der Editor kommt mit dem nächsten wieder, das sie hat.</translation>
    </message>
    <message>
        <source>Choose a stage in the chain below.</source>
        <translation>Unten in der Kette eine Stufe wählen.</translation>
    </message>
    <message>
        <source>Layer · %1</source>
        <translation>Ebene · %1</translation>
    </message>
    <message>
        <source>Layer</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>What is this?</source>
        <translation>Was ist das?</translation>
    </message>
    <message>
        <source>What this does, and when people use it (F1)</source>
        <translation>Was das tut, und wann man es nimmt (F1)</translation>
    </message>
</context>
<context>
    <name>baryton::EmptyDeletedSheet</name>
    <message>
        <source>Empty what was deleted</source>
        <translation>Gelöschtes leeren</translation>
    </message>
    <message>
        <source>Where things are kept</source>
        <translation>Wo was liegt</translation>
    </message>
    <message numerus="yes">
        <source>%n deleted groups, %1</source>
        <translation>
            <numerusform>%n gelöschte Gruppe, %1</numerusform>
            <numerusform>%n gelöschte Gruppen, %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>They are kept for %n days and go then by themselves. Emptied now, they can&apos;t be brought back.</source>
        <translation>
            <numerusform>Sie werden %n Tag aufgehoben und gehen dann von selbst. Jetzt geleert, sind sie nicht zurückzuholen.</numerusform>
            <numerusform>Sie werden %n Tage aufgehoben und gehen dann von selbst. Jetzt geleert, sind sie nicht zurückzuholen.</numerusform>
        </translation>
    </message>
    <message>
        <source>Empty</source>
        <translation>Leeren</translation>
    </message>
    <message numerus="yes">
        <source>%n deleted groups are gone</source>
        <translation>
            <numerusform>%n gelöschte Gruppe ist weg</numerusform>
            <numerusform>%n gelöschte Gruppen sind weg</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::ExportLutSheet</name>
    <message>
        <source>Export LUT</source>
        <translation>LUT ausgeben</translation>
    </message>
    <message>
        <source> look</source>
        <translation> Look</translation>
    </message>
    <message>
        <source>As a LUT</source>
        <translation>Als LUT</translation>
    </message>
    <message>
        <source>The Look of %1 as a LUT; its Prep too, where that is ticked.</source>
        <translation>Der Look von %1 als LUT; auch seine Vorbereitung, wo das angehakt ist.</translation>
    </message>
</context>
<context>
    <name>baryton::ExportLutsSheet</name>
    <message>
        <source>Export LUTs</source>
        <translation>LUTs ausgeben</translation>
    </message>
    <message>
        <source>As a LUT</source>
        <translation>Als LUT</translation>
    </message>
    <message>
        <source>near enough</source>
        <translation>nah genug</translation>
    </message>
    <message>
        <source>Masked layers everywhere</source>
        <translation>Masken ignorieren</translation>
    </message>
    <message>
        <source>Write LUTs</source>
        <translation>LUTs schreiben</translation>
    </message>
    <message>
        <source>Each preset becomes a LUT file, is read back and measured.</source>
        <translation>Aus jeder Vorgabe wird eine LUT-Datei; sie wird zurückgelesen und gemessen.</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Grid</source>
        <translation>Raster</translation>
    </message>
    <message>
        <source>Of each the smallest grid at which 99 of 100 colours lie within ΔE %1; the line in Grids, where one preset is exported, says how much that is</source>
        <translation>Von jeder das kleinste Raster, bei dem 99 von 100 Farben innerhalb von ΔE %1 liegen; wie viel das ist, sagt die Linie unter „Raster“, wo eine einzelne Vorgabe ausgegeben wird</translation>
    </message>
    <message>
        <source>Reads · writes</source>
        <translation>Liest · schreibt</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>{preset}, {look} (in small letters), {folder} (the group), {n} and {ext}; a / makes folders</source>
        <translation>{preset}, {look} (in Kleinbuchstaben), {folder} (die Gruppe), {n} und {ext}; ein / legt Ordner an</translation>
    </message>
    <message>
        <source>Preset → file</source>
        <translation>Vorgabe → Datei</translation>
    </message>
    <message>
        <source>ΔE mean</source>
        <translation>ΔE Mittel</translation>
    </message>
    <message>
        <source>99 %</source>
        <translation>99 %</translation>
    </message>
    <message>
        <source>worst</source>
        <translation>größtes</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Weggelassen</translation>
    </message>
    <message>
        <source>LUTs to be written</source>
        <translation>LUTs, die geschrieben werden</translation>
    </message>
    <message>
        <source>Folder for LUTs</source>
        <translation>Ordner für LUTs</translation>
    </message>
    <message>
        <source>no folder is named</source>
        <translation>es ist kein Ordner genannt</translation>
    </message>
    <message>
        <source>choose one</source>
        <translation>wählen Sie einen</translation>
    </message>
    <message>
        <source>There is no preset here that can be read.</source>
        <translation>Hier ist keine lesbare Vorgabe.</translation>
    </message>
    <message>
        <source>%1 will be written.</source>
        <translation>%1 werden geschrieben.</translation>
    </message>
    <message>
        <source>LUT</source>
        <translation>LUT</translation>
    </message>
    <message>
        <source>LUTs</source>
        <translation>LUTs</translation>
    </message>
    <message>
        <source> %1 of them are there already and will be replaced.</source>
        <translation> %1 davon sind schon da und werden ersetzt.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Writing, reading back and measuring…</source>
        <translation>Wird geschrieben, zurückgelesen und gemessen…</translation>
    </message>
    <message>
        <source>%1 of %2 written…</source>
        <translation>%1 von %2 geschrieben…</translation>
    </message>
    <message>
        <source>%1 written to %2.</source>
        <translation>%1 nach %2 geschrieben.</translation>
    </message>
    <message>
        <source>%1 could not be: see the list.</source>
        <translation>%1 ließen sich nicht schreiben: siehe Liste.</translation>
    </message>
    <message>
        <source>Stopped; what is written stays.</source>
        <translation>Angehalten; was geschrieben ist, bleibt.</translation>
    </message>
    <message>
        <source>No usual grid is as near as is asked for: this is the finest</source>
        <translation>Kein übliches Raster ist so nah wie verlangt: dies ist das feinste</translation>
    </message>
    <message>
        <source>%1 need a finer grid than there is: marked in the list.</source>
        <translation>%1 bräuchten ein feineres Raster, als es gibt: in der Liste markiert.</translation>
    </message>
</context>
<context>
    <name>baryton::ExportPackSheet</name>
    <message>
        <source>Cover: the key picture as it is graded</source>
        <translation>Titelbild: das Schlüsselbild, wie es gestaltet ist</translation>
    </message>
    <message>
        <source>Write the pack</source>
        <translation>Das Paket schreiben</translation>
    </message>
    <message>
        <source>Export a pack</source>
        <translation>Ein Paket ausgeben</translation>
    </message>
    <message>
        <source>Name of the pack</source>
        <translation>Name des Pakets</translation>
    </message>
    <message>
        <source>My presets</source>
        <translation>Meine Vorgaben</translation>
    </message>
    <message>
        <source>Author</source>
        <translation>Autor</translation>
    </message>
    <message>
        <source>Licence: what others may do with it</source>
        <translation>Lizenz: was andere damit tun dürfen</translation>
    </message>
    <message>
        <source>Notes (optional)</source>
        <translation>Notizen (freiwillig)</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>What goes into the pack</source>
        <translation>Was ins Paket kommt</translation>
    </message>
    <message>
        <source> · can&apos;t be read</source>
        <translation> · nicht lesbar</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>Nothing is ticked.</source>
        <translation>Nichts ist angehakt.</translation>
    </message>
    <message>
        <source>%1 go into the pack. LUTs that presets use travel inside them.</source>
        <translation>%1 kommen ins Paket. LUTs, die Vorgaben verwenden, reisen darin mit.</translation>
    </message>
    <message>
        <source>item</source>
        <translation>Stück</translation>
    </message>
    <message>
        <source>items</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source> The file is there and is replaced.</source>
        <translation> Die Datei ist da und wird ersetzt.</translation>
    </message>
    <message>
        <source>Packs (*.bpack)</source>
        <translation>Pakete (*.bpack)</translation>
    </message>
    <message>
        <source>Pack written: %1, %2</source>
        <translation>Paket geschrieben: %1, %2</translation>
    </message>
    <message>
        <source>a pack</source>
        <translation>ein Paket</translation>
    </message>
    <message>
        <source>Packs</source>
        <translation>Pakete</translation>
    </message>
</context>
<context>
    <name>baryton::FileSheet</name>
    <message>
        <source>Files: encoding, mark, metadata</source>
        <translation>Dateien: Kodierung, Marke, Metadaten</translation>
    </message>
    <message>
        <source>ENCODING</source>
        <translation>KODIERUNG</translation>
    </message>
    <message>
        <source>By quality</source>
        <translation>Nach Qualität</translation>
    </message>
    <message>
        <source>Full</source>
        <translation>Voll</translation>
    </message>
    <message>
        <source>Half</source>
        <translation>Halb</translation>
    </message>
    <message>
        <source>How much of the colours&apos; detail is kept. By quality: all of it from 90 on, else half along each side</source>
        <translation>Wie viel von den Feinheiten der Farben bleibt. Nach Qualität: ab 90 alles, sonst die Hälfte je Seite</translation>
    </message>
    <message>
        <source>Colour detail</source>
        <translation>Farbfeinheit</translation>
    </message>
    <message>
        <source>Batch: colour detail</source>
        <translation>Stapel: Farbfeinheit</translation>
    </message>
    <message>
        <source>Deflate</source>
        <translation>Deflate</translation>
    </message>
    <message>
        <source>LZW</source>
        <translation>LZW</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>How a TIFF is packed; nothing is lost by any of them</source>
        <translation>Wie ein TIFF gepackt wird; verloren geht dabei nichts</translation>
    </message>
    <message>
        <source>Packing</source>
        <translation>Packung</translation>
    </message>
    <message>
        <source>Batch: packing</source>
        <translation>Stapel: Packung</translation>
    </message>
    <message>
        <source>White</source>
        <translation>Weiß</translation>
    </message>
    <message>
        <source>Grey</source>
        <translation>Grau</translation>
    </message>
    <message>
        <source>Black</source>
        <translation>Schwarz</translation>
    </message>
    <message>
        <source>What lies behind the transparent parts of a picture: a JPEG has no transparency</source>
        <translation>Was hinter den durchsichtigen Teilen eines Bildes liegt: ein JPEG kennt keine Durchsichtigkeit</translation>
    </message>
    <message>
        <source>Ground</source>
        <translation>Grund</translation>
    </message>
    <message>
        <source>Batch: ground</source>
        <translation>Stapel: Grund</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation>wie es ist</translation>
    </message>
    <message>
        <source>%1 dpi</source>
        <translation>%1 dpi</translation>
    </message>
    <message>
        <source>For printing, in dots per inch; sharpening for paper goes by it. 0: as the picture says</source>
        <translation>Für den Druck, in Punkten je Zoll; das Schärfen für Papier richtet sich danach. 0: wie das Bild sagt</translation>
    </message>
    <message>
        <source>Resolution</source>
        <translation>Auflösung</translation>
    </message>
    <message>
        <source>Batch: resolution</source>
        <translation>Stapel: Auflösung</translation>
    </message>
    <message>
        <source>Perceptual</source>
        <translation>Perzeptiv</translation>
    </message>
    <message>
        <source>Relative colorimetric</source>
        <translation>Relativ farbmetrisch</translation>
    </message>
    <message>
        <source>Saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Absolute colorimetric</source>
        <translation>Absolut farbmetrisch</translation>
    </message>
    <message>
        <source>How colours that an ICC file&apos;s device has not are brought in</source>
        <translation>Wie Farben hereingeholt werden, die das Gerät einer ICC-Datei nicht hat</translation>
    </message>
    <message>
        <source>Intent</source>
        <translation>Wiedergabe</translation>
    </message>
    <message>
        <source>Batch: intent</source>
        <translation>Stapel: Wiedergabe</translation>
    </message>
    <message>
        <source>Sharpening</source>
        <translation>Schärfung</translation>
    </message>
    <message>
        <source>Per cent of what is usual for the screen or the paper</source>
        <translation>Prozent dessen, was für Bildschirm oder Papier üblich ist</translation>
    </message>
    <message>
        <source>Batch: sharpening</source>
        <translation>Stapel: Schärfung</translation>
    </message>
    <message>
        <source>Batch: %1</source>
        <translation>Stapel: %1</translation>
    </message>
    <message>
        <source>Black point compensation</source>
        <translation>Tiefenkompensierung</translation>
    </message>
    <message>
        <source>The darkest colour becomes the device&apos;s darkest</source>
        <translation>Die dunkelste Farbe wird zur dunkelsten des Geräts</translation>
    </message>
    <message>
        <source>Progressive</source>
        <translation>Progressiv</translation>
    </message>
    <message>
        <source>A JPEG that comes in passes, for pages that load slowly</source>
        <translation>Ein JPEG, das in Durchgängen kommt, für Seiten, die langsam laden</translation>
    </message>
    <message>
        <source>Lossless</source>
        <translation>Verlustfrei</translation>
    </message>
    <message>
        <source>A WebP that loses nothing</source>
        <translation>Ein WebP, das nichts verliert</translation>
    </message>
    <message>
        <source>Dither to 8 bit</source>
        <translation>Auf 8 Bit rastern</translation>
    </message>
    <message>
        <source>Noise of less than half a step, so that gradients end in no bands</source>
        <translation>Rauschen von weniger als einer halben Stufe, damit Verläufe keine Streifen bekommen</translation>
    </message>
    <message>
        <source>METADATA</source>
        <translation>METADATEN</translation>
    </message>
    <message>
        <source>All of it</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>All but the place</source>
        <translation>Alle außer dem Ort</translation>
    </message>
    <message>
        <source>Rights only</source>
        <translation>Nur die Rechte</translation>
    </message>
    <message>
        <source>What the pictures&apos; files say of themselves and goes into the new ones. The place: where they were taken, in numbers and words. Rights: who made them and what may be done with them</source>
        <translation>Was die Dateien der Bilder von sich sagen und in die neuen kommt. Der Ort: wo sie aufgenommen wurden, in Zahlen und Worten. Rechte: wer sie gemacht hat und was man mit ihnen tun darf</translation>
    </message>
    <message>
        <source>Metadata</source>
        <translation>Metadaten</translation>
    </message>
    <message>
        <source>Batch: metadata</source>
        <translation>Stapel: Metadaten</translation>
    </message>
    <message>
        <source>as the picture says</source>
        <translation>wie das Bild sagt</translation>
    </message>
    <message>
        <source>Put into the files in the place of what the pictures say; empty: as they say</source>
        <translation>Kommt in die Dateien anstelle dessen, was die Bilder sagen; leer: wie sie sagen</translation>
    </message>
    <message>
        <source>Author</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>Batch: author</source>
        <translation>Stapel: Urheber</translation>
    </message>
    <message>
        <source>Copyright</source>
        <translation>Copyright</translation>
    </message>
    <message>
        <source>Batch: copyright</source>
        <translation>Stapel: Copyright</translation>
    </message>
    <message>
        <source>MARK</source>
        <translation>MARKE</translation>
    </message>
    <message>
        <source>The mark on the key picture</source>
        <translation>Die Marke auf dem Schlüsselbild</translation>
    </message>
    <message>
        <source>a line of text, or a picture below</source>
        <translation>eine Zeile Text, oder darunter ein Bild</translation>
    </message>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Batch: mark</source>
        <translation>Stapel: Marke</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Choose a picture for a mark</source>
        <translation>Ein Bild als Marke wählen</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Picture for a mark</source>
        <translation>Bild als Marke</translation>
    </message>
    <message>
        <source>A picture for a mark</source>
        <translation>Ein Bild als Marke</translation>
    </message>
    <message>
        <source>Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</source>
        <translation>Bilder (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</translation>
    </message>
    <message>
        <source>Top left</source>
        <translation>Oben links</translation>
    </message>
    <message>
        <source>Top</source>
        <translation>Oben</translation>
    </message>
    <message>
        <source>Top right</source>
        <translation>Oben rechts</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>Bottom left</source>
        <translation>Unten links</translation>
    </message>
    <message>
        <source>Bottom</source>
        <translation>Unten</translation>
    </message>
    <message>
        <source>Bottom right</source>
        <translation>Unten rechts</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>Per cent of the file&apos;s shorter side; a picture is never enlarged</source>
        <translation>Prozent der kürzeren Seite der Datei; ein Bild wird nie vergrößert</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>How much of it covers the picture, in per cent</source>
        <translation>Wie stark es das Bild deckt, in Prozent</translation>
    </message>
    <message>
        <source>Encoding, mark, metadata</source>
        <translation>Kodierung, Marke, Metadaten</translation>
    </message>
</context>
<context>
    <name>baryton::FilmEditor</name>
    <message>
        <source>Response</source>
        <translation>Wirkung</translation>
    </message>
    <message>
        <source>negative</source>
        <translation>Negativ</translation>
    </message>
    <message>
        <source>reversal</source>
        <translation>Umkehr</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>Schwarzweiß</translation>
    </message>
    <message>
        <source>Add its grain</source>
        <translation>Sein Korn dazu</translation>
    </message>
    <message>
        <source>Add its halation</source>
        <translation>Seinen Lichthof dazu</translation>
    </message>
    <message>
        <source>A Grain in Finish as this film has it; where there is one, it takes its values</source>
        <translation>Ein Korn im Abschluss, wie dieser Film es hat; wo eines steht, nimmt es dessen Werte an</translation>
    </message>
    <message>
        <source>A Halation in Finish as this film has it; where there is one, it takes its values</source>
        <translation>Ein Lichthof im Abschluss, wie dieser Film ihn hat; wo einer steht, nimmt er dessen Werte an</translation>
    </message>
</context>
<context>
    <name>baryton::FindPopup</name>
    <message>
        <source>Found</source>
        <translation>Gefunden</translation>
    </message>
</context>
<context>
    <name>baryton::FindingsStrip</name>
    <message>
        <source>%1: pointing shows it on the picture, a press does it</source>
        <translation>%1: Zeigen zeigt es am Bild, Drücken tut es</translation>
    </message>
</context>
<context>
    <name>baryton::FolderWatcher</name>
    <message numerus="yes">
        <source>Watching %1: %n files made</source>
        <translation>
            <numerusform>%1 wird beobachtet: eine Datei erzeugt</numerusform>
            <numerusform>%1 wird beobachtet: %n Dateien erzeugt</numerusform>
        </translation>
    </message>
    <message>
        <source>, %1 failed</source>
        <translation>, %1 fehlgeschlagen</translation>
    </message>
</context>
<context>
    <name>baryton::FrameEditor</name>
    <message>
        <source>Swap the sides</source>
        <translation>Seiten tauschen</translation>
    </message>
    <message>
        <source>Turn left</source>
        <translation>Links drehen</translation>
    </message>
    <message>
        <source>The picture a quarter to the left (comma)</source>
        <translation>Das Bild um ein Viertel nach links (Komma)</translation>
    </message>
    <message>
        <source>Turn right</source>
        <translation>Rechts drehen</translation>
    </message>
    <message>
        <source>The picture a quarter to the right (full stop)</source>
        <translation>Das Bild um ein Viertel nach rechts (Punkt)</translation>
    </message>
    <message>
        <source>Mirror</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Left and right change places (M)</source>
        <translation>Links und rechts tauschen die Plätze (M)</translation>
    </message>
    <message>
        <source>Stands the frame upright, or lays it down (X)</source>
        <translation>Stellt den Ausschnitt hoch oder legt ihn quer (X)</translation>
    </message>
    <message>
        <source>Level by itself</source>
        <translation>Von selbst ausrichten</translation>
    </message>
    <message>
        <source>Looks for lines of the picture that ought to be level or upright, and turns it by them</source>
        <translation>Sucht Linien im Bild, die waagrecht oder senkrecht sein sollten, und dreht es nach ihnen</translation>
    </message>
    <message>
        <source>Guides</source>
        <translation>Hilfslinien</translation>
    </message>
    <message>
        <source>Lines that help to place the frame, shown while the hand is on it</source>
        <translation>Linien, die helfen, den Ausschnitt zu setzen; sichtbar, solange die Hand daran ist</translation>
    </message>
    <message>
        <source>Thirds</source>
        <translation>Drittel</translation>
    </message>
    <message>
        <source>Golden section</source>
        <translation>Goldener Schnitt</translation>
    </message>
    <message>
        <source>Diagonals</source>
        <translation>Diagonalen</translation>
    </message>
    <message>
        <source>Centre</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>No line was found that says what is level. Draw along one with Ctrl held.</source>
        <translation>Es fand sich keine Linie, die sagt, was waagrecht ist. Mit Strg an einer entlang zeichnen.</translation>
    </message>
    <message>
        <source>Turned by %1° along the line shown; %2 % sure.</source>
        <translation>Um %1° gedreht, nach der gezeigten Linie; zu %2 % sicher.</translation>
    </message>
    <message>
        <source>Straighten by lines</source>
        <translation>Nach Linien richten</translation>
    </message>
    <message>
        <source>Draw along two lines of the picture that ought to be upright, or level, or along two of each (L)</source>
        <translation>An zwei Linien des Bildes entlangziehen, die senkrecht oder waagrecht sein sollten, oder an je zweien (L)</translation>
    </message>
</context>
<context>
    <name>baryton::FrameView</name>
    <message>
        <source>Frame on the picture</source>
        <translation>Ausschnitt auf dem Bild</translation>
    </message>
    <message>
        <source>%1 × %2 of %3 × %4, turned by %5°</source>
        <translation>%1 × %2 von %3 × %4, um %5° gedreht</translation>
    </message>
    <message>
        <source>These lines can&apos;t all be made straight: move an end, so that a pair lies farther apart, runs together less, or is squarer to the other.</source>
        <translation>Diese Linien lassen sich nicht alle richten: ein Ende verschieben, sodass ein Paar weiter auseinander liegt, weniger zusammenläuft oder rechtwinkliger zum anderen steht.</translation>
    </message>
    <message>
        <source>Draw along two lines that ought to be upright, or level. Ends can be moved. Enter: done</source>
        <translation>An zwei Linien entlangziehen, die senkrecht oder waagrecht sein sollten. Enden lassen sich verschieben. Eingabe: fertig</translation>
    </message>
    <message>
        <source>Drag inside to move, an edge to resize, outside to turn, with Ctrl along a horizon. L: straighten by lines. Enter: done</source>
        <translation>Innen ziehen verschiebt, am Rand ändert die Größe, außen dreht, mit Strg am Horizont entlang. L: nach Linien richten. Eingabe: fertig</translation>
    </message>
</context>
<context>
    <name>baryton::GenericEditor</name>
    <message>
        <source>Pick a neutral…</source>
        <translation>Neutralen Punkt wählen…</translation>
    </message>
    <message>
        <source>Press on something in the picture that should be grey or white</source>
        <translation>Im Bild auf etwas drücken, das grau oder weiß sein soll</translation>
    </message>
    <message>
        <source>Press on something that should be grey</source>
        <translation>Auf etwas drücken, das grau sein soll</translation>
    </message>
    <message>
        <source>Warmth and tint</source>
        <translation>Wärme und Tönung</translation>
    </message>
    <message>
        <source>Tint</source>
        <translation>Tönung</translation>
    </message>
    <message>
        <source>Pull toward a colour: the colours of the picture go along. A double click brings it there.</source>
        <translation>Zu einer Farbe ziehen: Die Farben des Bildes gehen mit. Ein Doppelklick bringt den Griff dorthin.</translation>
    </message>
</context>
<context>
    <name>baryton::GradePage</name>
    <message>
        <source>Open a folder of pictures to begin: File, Open folder… or drop one here.</source>
        <translation>Zum Anfang einen Ordner mit Bildern öffnen: Datei, Ordner öffnen… oder einen hier ablegen.</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>%1 wird gelesen…</translation>
    </message>
    <message>
        <source>%1 alone</source>
        <translation>%1 allein</translation>
    </message>
    <message>
        <source>this layer alone</source>
        <translation>diese Ebene allein</translation>
    </message>
    <message>
        <source>R %1 G %2 B %3 → R %4 G %5 B %6</source>
        <translation>R %1 G %2 B %3 → R %4 G %5 B %6</translation>
    </message>
    <message>
        <source>   hue %1°</source>
        <translation>   Farbton %1°</translation>
    </message>
    <message>
        <source>Remove sample %1</source>
        <translation>Messpunkt %1 entfernen</translation>
    </message>
    <message>
        <source>Sample point here</source>
        <translation>Messpunkt hier</translation>
    </message>
    <message>
        <source>There are %1 sample points already: remove one first</source>
        <translation>Es gibt schon %1 Messpunkte: erst einen entfernen</translation>
    </message>
    <message>
        <source>Remove all sample points</source>
        <translation>Alle Messpunkte entfernen</translation>
    </message>
    <message>
        <source>Reference picture…</source>
        <translation>Referenzbild…</translation>
    </message>
    <message>
        <source>This picture as it is now as the reference</source>
        <translation>Dieses Bild, wie es jetzt ist, als Referenz</translation>
    </message>
    <message>
        <source>Reference picture</source>
        <translation>Referenzbild</translation>
    </message>
    <message>
        <source> (Escape to leave it)</source>
        <translation> (Escape beendet es)</translation>
    </message>
    <message>
        <source>The picture could not be drawn (%1): close other programs, or a few pictures</source>
        <translation>Das Bild war nicht zu zeichnen (%1): andere Programme schließen oder ein paar Bilder</translation>
    </message>
    <message>
        <source>Press on places of the picture, or of the reference beside it, to sample them (S or Escape is done)</source>
        <translation>Auf Stellen des Bildes oder der Referenz daneben drücken, um sie zu messen (fertig mit S oder Escape)</translation>
    </message>
    <message>
        <source>New layer in a ramp here</source>
        <translation>Neue Ebene in einem Verlauf hier</translation>
    </message>
    <message>
        <source>New layer in an ellipse here</source>
        <translation>Neue Ebene in einer Ellipse hier</translation>
    </message>
    <message>
        <source>without the masked layers</source>
        <translation>ohne die Ebenen mit Maske</translation>
    </message>
    <message>
        <source>New layer to paint, brush in hand</source>
        <translation>Neue Ebene zum Malen, Pinsel in der Hand</translation>
    </message>
    <message>
        <source>New layer on this colour</source>
        <translation>Neue Ebene auf dieser Farbe</translation>
    </message>
    <message>
        <source>New layer on an object, drawn round</source>
        <translation>Neue Ebene auf einem Objekt, das umfahren wird</translation>
    </message>
    <message>
        <source>The set</source>
        <translation>Die Serie</translation>
    </message>
    <message>
        <source>Samples</source>
        <translation>Messpunkte</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Takes and steps</source>
        <translation>Fassungen und Schritte</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>The picture</source>
        <translation>Das Bild</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Ausschnitt</translation>
    </message>
    <message>
        <source>The chain</source>
        <translation>Die Kette</translation>
    </message>
    <message>
        <source>Scopes</source>
        <translation>Anzeigen</translation>
    </message>
</context>
<context>
    <name>baryton::GradientEditor</name>
    <message>
        <source>Gradient</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Drag the stops; a double click beside them adds one, on one takes it away</source>
        <translation>Stützen ziehen; Doppelklick daneben fügt eine ein, auf einer nimmt sie weg</translation>
    </message>
    <message>
        <source>Stop colour</source>
        <translation>Farbe der Stütze</translation>
    </message>
    <message>
        <source>Colour from picture…</source>
        <translation>Farbe aus dem Bild…</translation>
    </message>
    <message>
        <source>Press on a colour in the picture, or in the reference picture, to give it to this stop</source>
        <translation>Auf eine Farbe im Bild oder im Referenzbild drücken, um sie dieser Stütze zu geben</translation>
    </message>
    <message>
        <source>Gives the stop at the other end the hue that lies opposite, as strong as this one</source>
        <translation>Gibt der Stütze am anderen Ende den gegenüberliegenden Farbton, so kräftig wie diese</translation>
    </message>
    <message>
        <source>Stop %1 at</source>
        <translation>Stütze %1 bei</translation>
    </message>
    <message>
        <source>Red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>Press on the colour that the stop is to have</source>
        <translation>Auf die Farbe drücken, die die Stütze haben soll</translation>
    </message>
    <message>
        <source>Opposite → shadows</source>
        <translation>Gegenüber → Schatten</translation>
    </message>
    <message>
        <source>Opposite → lights</source>
        <translation>Gegenüber → Lichter</translation>
    </message>
    <message>
        <source>Pull the stop toward a colour, over those of the picture. A double click brings it there.</source>
        <translation>Den Halt zu einer Farbe ziehen, über denen des Bildes. Ein Doppelklick bringt ihn dorthin.</translation>
    </message>
    <message>
        <source>Lightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>How light the stop is; its colour stays as far as it can</source>
        <translation>Wie hell der Halt ist; seine Farbe bleibt, soweit sie kann</translation>
    </message>
    <message>
        <source>Stop %1</source>
        <translation>Halt %1</translation>
    </message>
</context>
<context>
    <name>baryton::GridView</name>
    <message>
        <source>Grid of pictures</source>
        <translation>Raster von Bildern</translation>
    </message>
    <message>
        <source>Reading…</source>
        <translation>Wird gelesen…</translation>
    </message>
    <message>
        <source>In hand: %1</source>
        <translation>In Arbeit: %1</translation>
    </message>
</context>
<context>
    <name>baryton::GroupList</name>
    <message>
        <source>Groups</source>
        <translation>Gruppen</translation>
    </message>
    <message>
        <source>All presets</source>
        <translation>Alle Vorgaben</translation>
    </message>
    <message>
        <source>Favourites</source>
        <translation>Favoriten</translation>
    </message>
    <message>
        <source>New group</source>
        <translation>Neue Gruppe</translation>
    </message>
    <message>
        <source>New group %1</source>
        <translation>Neue Gruppe %1</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Export as a pack…</source>
        <translation>Als Paket ausgeben…</translation>
    </message>
    <message>
        <source>Show the folder</source>
        <translation>Den Ordner zeigen</translation>
    </message>
    <message>
        <source>Delete the group</source>
        <translation>Die Gruppe löschen</translation>
    </message>
    <message>
        <source>Group deleted: %1. Undo brings it back.</source>
        <translation>Gruppe gelöscht: %1. Rückgängig holt sie zurück.</translation>
    </message>
    <message>
        <source>Export as LUTs…</source>
        <translation>Als LUTs ausgeben…</translation>
    </message>
</context>
<context>
    <name>baryton::Guide</name>
    <message>
        <source>Stages</source>
        <translation>Stufen</translation>
    </message>
</context>
<context>
    <name>baryton::GuidePanel</name>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>The page that was read before</source>
        <translation>Die Seite, die vorher gelesen wurde</translation>
    </message>
    <message>
        <source>Contents</source>
        <translation>Inhalt</translation>
    </message>
    <message>
        <source>Search the guide</source>
        <translation>In der Anleitung suchen</translation>
    </message>
    <message>
        <source>Close the guide</source>
        <translation>Anleitung schließen</translation>
    </message>
    <message>
        <source>Close the guide (Escape)</source>
        <translation>Anleitung schließen (Escape)</translation>
    </message>
    <message>
        <source>Page of the guide</source>
        <translation>Seite der Anleitung</translation>
    </message>
    <message>
        <source>The pages of the guide are not where the program was installed.</source>
        <translation>Die Seiten der Anleitung liegen nicht dort, wo das Programm installiert wurde.</translation>
    </message>
    <message>
        <source>Nothing in the guide has all of these words.</source>
        <translation>Nichts in der Anleitung hat alle diese Wörter.</translation>
    </message>
</context>
<context>
    <name>baryton::HandleBar</name>
    <message>
        <source>handle %1 of %2 at %3</source>
        <translation>Griff %1 von %2 bei %3</translation>
    </message>
</context>
<context>
    <name>baryton::HistogramView</name>
    <message>
        <source>Histogram</source>
        <translation>Histogramm</translation>
    </message>
    <message>
        <source>%1   R %2 %   G %3 %   B %4 %</source>
        <translation>%1   R %2 %   G %3 %   B %4 %</translation>
    </message>
    <message>
        <source>%1 % at black, %2 % at white</source>
        <translation>%1 % am Schwarz, %2 % am Weiß</translation>
    </message>
</context>
<context>
    <name>baryton::HueBandsEditor</name>
    <message>
        <source>Drag a handle up or down to change these hues, sideways to take others; double click resets</source>
        <translation>Einen Griff auf oder ab ziehen ändert diese Farbtöne, seitwärts nimmt andere; Doppelklick setzt zurück</translation>
    </message>
    <message>
        <source>Band %1 hue</source>
        <translation>Band %1 Farbton</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Feather</source>
        <translation>Auslauf</translation>
    </message>
    <message>
        <source>Shift</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Lightness</source>
        <translation>Helligkeit</translation>
    </message>
</context>
<context>
    <name>baryton::HueLanes</name>
    <message>
        <source>Hue bands</source>
        <translation>Farbbänder</translation>
    </message>
    <message>
        <source>shift</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>lightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>band %1 at hue %2°: shift %3, saturation %4, lightness %5</source>
        <translation>Band %1 bei Farbton %2°: Drehung %3, Sättigung %4, Helligkeit %5</translation>
    </message>
</context>
<context>
    <name>baryton::HuePicks</name>
    <message>
        <source>Show where</source>
        <translation>Zeigen, wo</translation>
    </message>
    <message>
        <source>Hue from picture…</source>
        <translation>Farbton aus Bild…</translation>
    </message>
    <message>
        <source>Press on a colour in the picture, or in the reference picture, to take its hue</source>
        <translation>Auf eine Farbe im Bild oder im Vergleichsbild drücken, um ihren Farbton zu nehmen</translation>
    </message>
    <message>
        <source>Held, only what has this hue stays lit on the picture</source>
        <translation>Gehalten bleibt im Bild nur hell, was diesen Farbton hat</translation>
    </message>
    <message>
        <source>Hues of sample points: right click on the picture</source>
        <translation>Farbtöne von Messpunkten: Rechtsklick im Bild</translation>
    </message>
    <message>
        <source>Hue of sample %1: %2°</source>
        <translation>Farbton von Messpunkt %1: %2°</translation>
    </message>
    <message>
        <source>Opposite of sample %1: %2°</source>
        <translation>Gegenfarbe von Messpunkt %1: %2°</translation>
    </message>
</context>
<context>
    <name>baryton::ImportSheet</name>
    <message>
        <source>new</source>
        <translation>neu</translation>
    </message>
    <message>
        <source>there already</source>
        <translation>schon da</translation>
    </message>
    <message>
        <source>differs from yours</source>
        <translation>anders als die vorhandene</translation>
    </message>
    <message>
        <source>twice</source>
        <translation>doppelt</translation>
    </message>
    <message>
        <source>can&apos;t be read</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <source>something else</source>
        <translation>etwas anderes</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzufügen</translation>
    </message>
    <message>
        <source>Import</source>
        <translation>Einlesen</translation>
    </message>
    <message>
        <source>Cover of the pack</source>
        <translation>Titelbild des Pakets</translation>
    </message>
    <message>
        <source>by %1</source>
        <translation>von %1</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Stand</translation>
    </message>
    <message>
        <source>What happens</source>
        <translation>Was geschieht</translation>
    </message>
    <message>
        <source>What the import holds</source>
        <translation>Was die Einfuhr enthält</translation>
    </message>
    <message>
        <source>Group %1</source>
        <translation>Gruppe %1</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Weggelassen</translation>
    </message>
    <message>
        <source>LUT</source>
        <translation>LUT</translation>
    </message>
    <message>
        <source>preset</source>
        <translation>Vorgabe</translation>
    </message>
    <message>
        <source>add</source>
        <translation>hinzufügen</translation>
    </message>
    <message>
        <source>keep both</source>
        <translation>beide behalten</translation>
    </message>
    <message>
        <source>replace yours</source>
        <translation>Ihre ersetzen</translation>
    </message>
    <message>
        <source>leave out</source>
        <translation>weglassen</translation>
    </message>
    <message>
        <source>What happens with %1</source>
        <translation>Was mit %1 geschieht</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>differing</source>
        <translation>abweichende</translation>
    </message>
    <message>
        <source>in a second format</source>
        <translation>in einem zweiten Format</translation>
    </message>
    <message>
        <source>that can&apos;t be read</source>
        <translation>die nicht lesbar sind</translation>
    </message>
    <message>
        <source>of another kind</source>
        <translation>von anderer Art</translation>
    </message>
    <message>
        <source>. Undo takes all of it out again.</source>
        <translation>. Rückgängig nimmt alles wieder heraus.</translation>
    </message>
    <message>
        <source>. There is nothing to add.</source>
        <translation>. Es gibt nichts hinzuzufügen.</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>%1 added, %2 left out</source>
        <translation>%1 hinzugefügt, %2 weggelassen</translation>
    </message>
    <message>
        <source>Packs</source>
        <translation>Pakete</translation>
    </message>
</context>
<context>
    <name>baryton::InForceList</name>
    <message>
        <source>Set</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Above</source>
        <translation>Darüber</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Presets in force</source>
        <translation>Vorgaben in Kraft</translation>
    </message>
    <message>
        <source>IN FORCE HERE</source>
        <translation>HIER IN KRAFT</translation>
    </message>
    <message>
        <source>Take the preset off</source>
        <translation>Die Vorgabe abnehmen</translation>
    </message>
    <message>
        <source>Takes the preset off: what it set and nobody changed since goes back to what it was</source>
        <translation>Nimmt die Vorgabe ab: was sie gesetzt hat und niemand seither geändert hat, wird wieder, wie es war</translation>
    </message>
    <message>
        <source>Strength of the preset</source>
        <translation>Stärke der Vorgabe</translation>
    </message>
    <message>
        <source>How far the preset goes: 100 as it was saved</source>
        <translation>Wie weit die Vorgabe geht: 100 wie gesichert</translation>
    </message>
    <message>
        <source>Swap</source>
        <translation>Tauschen</translation>
    </message>
    <message>
        <source>The next preset that you click takes this one&apos;s place</source>
        <translation>Die nächste angeklickte Vorgabe nimmt den Platz dieser ein</translation>
    </message>
    <message>
        <source>Save over</source>
        <translation>Überschreiben</translation>
    </message>
    <message>
        <source>Gives the preset in the library the values that it has here now</source>
        <translation>Gibt der Vorgabe in der Bibliothek die Werte, die sie hier jetzt hat</translation>
    </message>
    <message>
        <source>Preset %1 on</source>
        <translation>Vorgabe %1 ein</translation>
    </message>
    <message>
        <source>%1 %2%3</source>
        <translation>%1 %2%3</translation>
    </message>
    <message>
        <source>
Some of what it set was changed since</source>
        <translation>
Einiges davon wurde seither geändert</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>None. What a click puts on stands here and can be weakened, swapped or taken off.</source>
        <translation>Keine. Was ein Klick auflegt, steht hier und lässt sich schwächen, tauschen oder abnehmen.</translation>
    </message>
</context>
<context>
    <name>baryton::Item</name>
    <message>
        <source>write one of the words of docs/formats/preset.md</source>
        <translation>eines der Wörter aus docs/formats/preset.md schreiben</translation>
    </message>
    <message>
        <source>belongs to this picture</source>
        <translation>gehört zu diesem Bild</translation>
    </message>
    <message>
        <source>placed by the frame</source>
        <translation>nach dem Ausschnitt gelegt</translation>
    </message>
</context>
<context>
    <name>baryton::Journal</name>
    <message>
        <source>cannot write: {}</source>
        <translation>kann nicht geschrieben werden: {}</translation>
    </message>
    <message>
        <source>the run keeps its journal there: choose a folder that can be written</source>
        <translation>der Lauf führt dort sein Protokoll: einen Ordner wählen, in den geschrieben werden kann</translation>
    </message>
    <message>
        <source>make room on the disk; --resume goes on from here</source>
        <translation>Platz schaffen; --resume macht hier weiter</translation>
    </message>
</context>
<context>
    <name>baryton::KeepRow</name>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Preset name</source>
        <translation>Name der Vorgabe</translation>
    </message>
    <message>
        <source>Group</source>
        <translation>Gruppe</translation>
    </message>
    <message>
        <source>in group</source>
        <translation>in Gruppe</translation>
    </message>
    <message>
        <source>%1 added to the group %2</source>
        <translation>%1 liegt jetzt in der Gruppe %2</translation>
    </message>
</context>
<context>
    <name>baryton::LayerEditor</name>
    <message>
        <source>adds</source>
        <translation>dazu</translation>
    </message>
    <message>
        <source>takes away</source>
        <translation>nimmt weg</translation>
    </message>
    <message>
        <source>keeps</source>
        <translation>behält</translation>
    </message>
    <message>
        <source>Outside of it</source>
        <translation>Außerhalb</translation>
    </message>
    <message>
        <source>All turned round</source>
        <translation>Alles umkehren</translation>
    </message>
    <message>
        <source>Layer name</source>
        <translation>Name der Ebene</translation>
    </message>
    <message>
        <source>Blend mode</source>
        <translation>Mischart</translation>
    </message>
    <message>
        <source>How the layer is laid over what comes before it</source>
        <translation>Wie die Ebene über das gelegt wird, was davor kommt</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Lets the layer act before the one below</source>
        <translation>Lässt die Ebene vor der darunter wirken</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Lets the layer act after the one above</source>
        <translation>Lässt die Ebene nach der darüber wirken</translation>
    </message>
    <message>
        <source>Merge down</source>
        <translation>Nach unten vereinen</translation>
    </message>
    <message>
        <source>Puts its stages behind those of the layer below; both must be laid over plainly</source>
        <translation>Hängt ihre Stufen hinter die der Ebene darunter; beide müssen schlicht aufliegen</translation>
    </message>
    <message>
        <source>Delete layer</source>
        <translation>Ebene löschen</translation>
    </message>
    <message>
        <source>Undo brings it back</source>
        <translation>Rückgängig holt es zurück</translation>
    </message>
    <message>
        <source>WHERE IT ACTS</source>
        <translation>WO ES WIRKT</translation>
    </message>
    <message>
        <source>Shapes of the mask</source>
        <translation>Formen der Maske</translation>
    </message>
    <message>
        <source>The layer acts here as well</source>
        <translation>Die Ebene wirkt auch hier</translation>
    </message>
    <message>
        <source>The layer does not act here</source>
        <translation>Die Ebene wirkt hier nicht</translation>
    </message>
    <message>
        <source>The layer acts only here, of what there is so far</source>
        <translation>Die Ebene wirkt nur hier, von dem, was es bis dahin gibt</translation>
    </message>
    <message>
        <source>The shape is what lies outside its line</source>
        <translation>Die Form ist, was außerhalb ihrer Linie liegt</translation>
    </message>
    <message>
        <source>Delete shape</source>
        <translation>Form löschen</translation>
    </message>
    <message>
        <source>THE WHOLE MASK</source>
        <translation>DIE GANZE MASKE</translation>
    </message>
    <message>
        <source>The layer acts where it did not, and the other way round</source>
        <translation>Die Ebene wirkt, wo sie nicht wirkte, und umgekehrt</translation>
    </message>
    <message>
        <source>Density</source>
        <translation>Dichte</translation>
    </message>
    <message>
        <source>How much of the mask is felt at most</source>
        <translation>Wie viel von der Maske höchstens zu spüren ist</translation>
    </message>
    <message>
        <source>Everywhere: it has no mask</source>
        <translation>Überall: sie hat keine Maske</translation>
    </message>
    <message>
        <source>Covers all of the picture</source>
        <translation>Deckt das ganze Bild</translation>
    </message>
    <message>
        <source>Covers %1 % of the picture</source>
        <translation>Deckt %1 % des Bildes</translation>
    </message>
    <message>
        <source>Ellipse</source>
        <translation>Ellipse</translation>
    </message>
    <message>
        <source>Ramp</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>, taken away</source>
        <translation>, weggenommen</translation>
    </message>
    <message>
        <source>, kept of it</source>
        <translation>, davon behalten</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>   mask %1 %</source>
        <translation>   Maske %1 %</translation>
    </message>
    <message>
        <source>By its name a preset finds the layer again</source>
        <translation>An ihrem Namen findet eine Vorgabe die Ebene wieder</translation>
    </message>
    <message>
        <source>Add: %1</source>
        <translation>Hinzufügen: %1</translation>
    </message>
    <message>
        <source>Adds a soft ellipse, placed on the picture</source>
        <translation>Fügt eine weiche Ellipse hinzu, die auf dem Bild gelegt wird</translation>
    </message>
    <message>
        <source>Adds from all to nothing between two lines, placed on the picture</source>
        <translation>Fügt einen Verlauf von ganz nach nichts zwischen zwei Linien hinzu, die auf dem Bild gelegt werden</translation>
    </message>
    <message>
        <source>Brush</source>
        <translation>Pinsel</translation>
    </message>
    <message>
        <source>Adds what is painted on the picture</source>
        <translation>Fügt hinzu, was auf das Bild gemalt wird</translation>
    </message>
    <message>
        <source>Tones</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Adds a range of tones, pressed on the picture</source>
        <translation>Fügt einen Bereich von Tönen hinzu, auf dem Bild gedrückt</translation>
    </message>
    <message>
        <source>Colours</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>Adds a range of colours, pressed on the picture</source>
        <translation>Fügt einen Bereich von Farben hinzu, auf dem Bild gedrückt</translation>
    </message>
    <message>
        <source>A layer’s</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>Adds the mask of another layer, linked: an edit of that one changes both</source>
        <translation>Fügt die Maske einer anderen Ebene hinzu, verbunden: Eine Änderung an jener ändert beide</translation>
    </message>
    <message>
        <source>No other layer has a mask that this one could be linked to</source>
        <translation>Keine andere Ebene hat eine Maske, mit der diese verbunden werden könnte</translation>
    </message>
    <message>
        <source>Layer for the rest</source>
        <translation>Ebene für den Rest</translation>
    </message>
    <message>
        <source>A new layer that acts where this one does not, by this mask: an edit changes both</source>
        <translation>Eine neue Ebene, die wirkt, wo diese es nicht tut, durch diese Maske: Eine Änderung ändert beide</translation>
    </message>
    <message>
        <source>Seen</source>
        <translation>Zu sehen</translation>
    </message>
    <message>
        <source>not at all</source>
        <translation>gar nicht</translation>
    </message>
    <message>
        <source>the rest darkened</source>
        <translation>der Rest dunkel</translation>
    </message>
    <message>
        <source>as a colour</source>
        <translation>als Farbe</translation>
    </message>
    <message>
        <source>as grey</source>
        <translation>als Grau</translation>
    </message>
    <message>
        <source>by its edge</source>
        <translation>an ihrem Rand</translation>
    </message>
    <message>
        <source>on black</source>
        <translation>auf Schwarz</translation>
    </message>
    <message>
        <source>How the mask is seen</source>
        <translation>Wie die Maske zu sehen ist</translation>
    </message>
    <message>
        <source>Colour of the mask</source>
        <translation>Farbe der Maske</translation>
    </message>
    <message>
        <source>The colour that it is seen in…</source>
        <translation>Die Farbe, in der sie zu sehen ist …</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Verdoppeln</translation>
    </message>
    <message>
        <source>Duplicate, mirrored</source>
        <translation>Verdoppeln, gespiegelt</translation>
    </message>
    <message>
        <source>Covers nothing: the layer is not seen</source>
        <translation>Deckt nichts: Die Ebene ist nicht zu sehen</translation>
    </message>
    <message>
        <source>Move all</source>
        <translation>Alle bewegen</translation>
    </message>
    <message>
        <source>Put back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Object</source>
        <translation>Objekt</translation>
    </message>
    <message>
        <source>Adds an object of the picture: drawn round loosely, it is found within</source>
        <translation>Fügt ein Objekt des Bildes hinzu: lose umfahren, wird es darin gefunden</translation>
    </message>
    <message>
        <source>Grow</source>
        <translation>Wachsen</translation>
    </message>
    <message>
        <source>All that is drawn reaches this much farther, of the picture&apos;s long side</source>
        <translation>Alles Gezeichnete reicht um so viel weiter, von der langen Seite des Bildes</translation>
    </message>
    <message>
        <source>Softer</source>
        <translation>Weicher</translation>
    </message>
    <message>
        <source>Every drawn edge fades over this much more, of the picture&apos;s long side</source>
        <translation>Jede gezeichnete Kante läuft über so viel mehr aus, von der langen Seite des Bildes</translation>
    </message>
    <message>
        <source>Taken elsewhere</source>
        <translation>Anderswo</translation>
    </message>
    <message>
        <source>All shapes are pulled together on the picture, by an ellipse round them: within it moves them, its line makes them larger, outside turns them</source>
        <translation>Alle Formen werden auf dem Bild gemeinsam gezogen, an einer Ellipse um sie herum: innen bewegt, ihre Linie vergrößert, außen dreht</translation>
    </message>
    <message>
        <source>All shapes lie where they were drawn</source>
        <translation>Alle Formen liegen, wo sie gezeichnet wurden</translation>
    </message>
    <message>
        <source>Of the picture&apos;s long side</source>
        <translation>Von der langen Seite des Bildes</translation>
    </message>
    <message>
        <source>Across</source>
        <translation>Quer</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Abwärts</translation>
    </message>
    <message>
        <source>About the middle of what is drawn</source>
        <translation>Um die Mitte des Gezeichneten</translation>
    </message>
    <message>
        <source>Clockwise, about the middle of what is drawn</source>
        <translation>Im Uhrzeigersinn, um die Mitte des Gezeichneten</translation>
    </message>
    <message>
        <source>The mask was taken elsewhere: put it back before you draw round an object</source>
        <translation>Die Maske liegt anderswo: setzen Sie sie zurück, ehe Sie ein Objekt umfahren</translation>
    </message>
    <message>
        <source>Draw all the way round the object: press, go round it, let go</source>
        <translation>Umfahren Sie das Objekt ganz: drücken, herumfahren, loslassen</translation>
    </message>
    <message>
        <source>Looking for it… %1 %</source>
        <translation>Wird gesucht … %1 %</translation>
    </message>
    <message>
        <source>Draw loosely round it on the picture: press, go all the way round, let go.</source>
        <translation>Umfahren Sie es lose auf dem Bild: drücken, ganz herumfahren, loslassen.</translation>
    </message>
    <message>
        <source>Nothing was found within the line. Paint over what belongs to it, or draw anew.</source>
        <translation>In der Linie wurde nichts gefunden. Übermalen Sie, was dazugehört, oder umfahren Sie es neu.</translation>
    </message>
    <message>
        <source>Paint over what is missing; over what does not belong with Ctrl.</source>
        <translation>Übermalen Sie, was fehlt; mit Strg, was nicht dazugehört.</translation>
    </message>
    <message>
        <source>Scale all</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Turn all</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Over the picture, as long as this layer or one of its stages is chosen (K; held, only as long)</source>
        <translation>Über dem Bild, solange diese Ebene oder eine ihrer Stufen gewählt ist (K; gehalten nur so lange)</translation>
    </message>
</context>
<context>
    <name>baryton::LearnSheet</name>
    <message>
        <source>Learn a LUT</source>
        <translation>Eine LUT lernen</translation>
    </message>
    <message>
        <source>The picture before</source>
        <translation>Das Bild vorher</translation>
    </message>
    <message>
        <source>The picture with the LUT</source>
        <translation>Das Bild mit der LUT</translation>
    </message>
    <message>
        <source>Keep as a preset</source>
        <translation>Als Vorgabe behalten</translation>
    </message>
    <message>
        <source>Learned</source>
        <translation>Gelernt</translation>
    </message>
    <message>
        <source>Saved as PNG or TIFF with 16 bits it teaches most. What else was done to it is told here.</source>
        <translation>Als PNG oder TIFF mit 16 Bit lehrt es am meisten. Was sonst mit ihm geschah, steht dann hier.</translation>
    </message>
    <message>
        <source>%1: a LUT of %2 points along each edge.</source>
        <translation>%1: eine LUT mit %2 Punkten entlang jeder Kante.</translation>
    </message>
    <message>
        <source>Nothing else was done to it.</source>
        <translation>Sonst geschah nichts mit ihm.</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>With the LUT</source>
        <translation>Mit der LUT</translation>
    </message>
    <message>
        <source>From a pattern</source>
        <translation>Aus einem Muster</translation>
    </message>
    <message>
        <source>From pictures before and after</source>
        <translation>Aus Bildern davor und danach</translation>
    </message>
    <message>
        <source>What was seen</source>
        <translation>Gesehen</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Weggelassen</translation>
    </message>
    <message>
        <source>Turn into stages…</source>
        <translation>In Stufen auflösen…</translation>
    </message>
    <message>
        <source>A grade that another program makes, as a LUT: learned from a picture of every colour that is graded there with nothing but colours, or from any picture and what it became.</source>
        <translation>Eine Gestaltung eines anderen Programms als LUT: gelernt aus einem Bild aller Farben, das dort mit nichts als Farben gestaltet wird, oder aus irgendeinem Bild und dem, was daraus wurde.</translation>
    </message>
    <message>
        <source>What it is learned from</source>
        <translation>Woraus gelernt wird</translation>
    </message>
    <message>
        <source>What the picture shows</source>
        <translation>Was das Bild zeigt</translation>
    </message>
    <message>
        <source>Chequered: colours that no picture before showed. What becomes of them is guessed</source>
        <translation>Kariert: Farben, die kein Bild davor gezeigt hat. Was aus ihnen wird, ist vermutet</translation>
    </message>
    <message>
        <source>Where in the picture before something else was done than elsewhere</source>
        <translation>Wo im Bild davor etwas anderes getan wurde als sonst</translation>
    </message>
    <message>
        <source>One picture teaches its own colours, and the grade of the others is guessed from them. A crop, another size, a slight turn, a vignette or a painted light are found and told here.</source>
        <translation>Ein Bild lehrt seine eigenen Farben, und die Gestaltung der übrigen wird daraus vermutet. Ein Ausschnitt, eine andere Größe, eine leichte Drehung, eine Vignette oder ein gemaltes Licht werden gefunden und hier gesagt.</translation>
    </message>
    <message>
        <source>A first answer; the whole takes some seconds more.</source>
        <translation>Eine erste Antwort; das Ganze dauert noch einige Sekunden.</translation>
    </message>
    <message>
        <source>Where it was held back, the LUT misses by ΔE %1 in the mean, %2 for 99 of 100; the stages alone by %3. It has seen %4 % of all colours.</source>
        <translation>Wo sie zurückgehalten wurde, verfehlt die LUT um ΔE %1 im Mittel, %2 bei 99 von 100; die Stufen allein um %3. Gesehen hat sie %4 % aller Farben.</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>%1 wird gelesen…</translation>
    </message>
</context>
<context>
    <name>baryton::LensEditor</name>
    <message>
        <source>Choose a lens…</source>
        <translation>Objektiv wählen…</translation>
    </message>
    <message>
        <source>As in the file</source>
        <translation>Wie in der Datei</translation>
    </message>
    <message>
        <source>For files that do not say by which lens they were taken, or say it wrong</source>
        <translation>Für Dateien, die nicht oder falsch sagen, mit welchem Objektiv sie aufgenommen wurden</translation>
    </message>
    <message>
        <source>The corrections of the lens that each picture&apos;s file names</source>
        <translation>Die Korrekturen des Objektivs, das die Datei jedes Bildes nennt</translation>
    </message>
    <message>
        <source>By hand</source>
        <translation>Von Hand</translation>
    </message>
    <message>
        <source>as the file says</source>
        <translation>wie die Datei sagt</translation>
    </message>
    <message>
        <source>chosen by hand</source>
        <translation>von Hand gewählt</translation>
    </message>
    <message>
        <source>Nothing is corrected: %1. Choose a lens, or set it by hand.</source>
        <translation>Nichts wird korrigiert: %1. Ein Objektiv wählen oder es von Hand einstellen.</translation>
    </message>
</context>
<context>
    <name>baryton::LensList</name>
    <message>
        <source>Choose a lens</source>
        <translation>Ein Objektiv wählen</translation>
    </message>
    <message>
        <source>Find a lens by its name</source>
        <translation>Ein Objektiv nach Namen finden</translation>
    </message>
    <message>
        <source>No lens of that name is known. Leave words out, or set its corrections by hand; files of lenses, as Lensfun has them, can be put into the program&apos;s folder “lenses”.</source>
        <translation>Kein Objektiv dieses Namens ist bekannt. Wörter weglassen oder seine Korrekturen von Hand einstellen; Dateien mit Objektiven, wie Lensfun sie hat, kommen in den Ordner „lenses“ des Programms.</translation>
    </message>
    <message>
        <source>Fits this picture&apos;s camera and focal length</source>
        <translation>Passt zu Kamera und Brennweite dieses Bildes</translation>
    </message>
</context>
<context>
    <name>baryton::LevelsEditor</name>
    <message>
        <source>RGB</source>
        <translation>RGB</translation>
    </message>
    <message>
        <source>Red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>Green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>Blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>What comes in</source>
        <translation>Was hereinkommt</translation>
    </message>
    <message>
        <source>What goes out</source>
        <translation>Was herauskommt</translation>
    </message>
    <message>
        <source>Channel</source>
        <translation>Kanal</translation>
    </message>
    <message>
        <source>What is left of the dark handle becomes black, right of the light one white; the middle one bends</source>
        <translation>Was links vom dunklen Griff liegt, wird schwarz, rechts vom hellen weiß; der mittlere biegt</translation>
    </message>
    <message>
        <source>The darkest and the lightest that come out</source>
        <translation>Das Dunkelste und das Hellste, das herauskommt</translation>
    </message>
    <message>
        <source>Black in</source>
        <translation>Schwarz herein</translation>
    </message>
    <message>
        <source>Gamma</source>
        <translation>Gamma</translation>
    </message>
    <message>
        <source>White in</source>
        <translation>Weiß herein</translation>
    </message>
    <message>
        <source>Black out</source>
        <translation>Schwarz heraus</translation>
    </message>
    <message>
        <source>White out</source>
        <translation>Weiß heraus</translation>
    </message>
</context>
<context>
    <name>baryton::Library</name>
    <message>
        <source>Save preset {}</source>
        <translation>Vorgabe {} sichern</translation>
    </message>
    <message>
        <source>Add {}</source>
        <translation>{} hinzufügen</translation>
    </message>
    <message>
        <source>Rename {} to {}</source>
        <translation>{} in {} umbenennen</translation>
    </message>
    <message>
        <source>Delete {}</source>
        <translation>{} löschen</translation>
    </message>
    <message>
        <source>Move {} to {}</source>
        <translation>{} nach {} verschieben</translation>
    </message>
    <message>
        <source>Duplicate {}</source>
        <translation>{} verdoppeln</translation>
    </message>
    <message>
        <source>Make group {}</source>
        <translation>Gruppe {} anlegen</translation>
    </message>
    <message>
        <source>Rename group {} to {}</source>
        <translation>Gruppe {} in {} umbenennen</translation>
    </message>
    <message>
        <source>Delete group {}</source>
        <translation>Gruppe {} löschen</translation>
    </message>
    <message>
        <source>Order the groups</source>
        <translation>Gruppen ordnen</translation>
    </message>
    <message>
        <source>a group needs a name</source>
        <translation>eine Gruppe braucht einen Namen</translation>
    </message>
    <message>
        <source>a preset needs a name</source>
        <translation>eine Vorgabe braucht einen Namen</translation>
    </message>
    <message>
        <source>a preset that can&apos;t be read can&apos;t be renamed</source>
        <translation>eine Vorgabe, die nicht zu lesen ist, kann nicht umbenannt werden</translation>
    </message>
    <message>
        <source>the group already has an item of this name</source>
        <translation>die Gruppe hat schon etwas mit diesem Namen</translation>
    </message>
    <message>
        <source>choose another name</source>
        <translation>einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>there is a group of this name already</source>
        <translation>eine Gruppe mit diesem Namen gibt es schon</translation>
    </message>
</context>
<context>
    <name>baryton::LimitsStrip</name>
    <message>
        <source>Where the stage acts</source>
        <translation>Wo die Stufe wirkt</translation>
    </message>
    <message>
        <source>Drag the ends, or between them; double click opens the range again</source>
        <translation>Die Enden oder dazwischen ziehen; Doppelklick öffnet den Bereich wieder</translation>
    </message>
</context>
<context>
    <name>baryton::LookPicker</name>
    <message>
        <source>Search presets</source>
        <translation>Vorgaben suchen</translation>
    </message>
    <message>
        <source>Search looks</source>
        <translation>Looks suchen</translation>
    </message>
    <message>
        <source>Looks</source>
        <translation>Looks</translation>
    </message>
</context>
<context>
    <name>baryton::LutEditor</name>
    <message>
        <source>Load LUT…</source>
        <translation>LUT laden…</translation>
    </message>
    <message>
        <source>WHAT IT DOES</source>
        <translation>WAS SIE TUT</translation>
    </message>
    <message>
        <source>No LUT is loaded: the picture passes through.</source>
        <translation>Keine LUT ist geladen: das Bild geht unverändert durch.</translation>
    </message>
    <message>
        <source>“%1” did not come along with the grade: the picture passes through. Load the file again.</source>
        <translation>„%1“ kam mit der Gestaltung nicht mit: das Bild geht unverändert durch. Die Datei neu laden.</translation>
    </message>
    <message>
        <source>
3D, %1 points along each edge</source>
        <translation>
3D, %1 Punkte an jeder Kante</translation>
    </message>
    <message>
        <source>
1D, %1 entries</source>
        <translation>
1D, %1 Einträge</translation>
    </message>
    <message>
        <source>Load LUT</source>
        <translation>LUT laden</translation>
    </message>
    <message>
        <source>Turn into stages…</source>
        <translation>In Stufen auflösen…</translation>
    </message>
    <message>
        <source>Seeks stages that do what it does, and that you can change</source>
        <translation>Sucht Stufen, die tun, was sie tut, und die sich ändern lassen</translation>
    </message>
    <message>
        <source>See it…</source>
        <translation>Ansehen…</translation>
    </message>
    <message>
        <source>All colours before and after: in a cube that turns, and as a slice of one lightness</source>
        <translation>Alle Farben vorher und nachher: in einem Würfel, der sich dreht, und als Schnitt einer Helligkeit</translation>
    </message>
    <message>
        <source>Invert</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>Puts in its place the table that takes back what it does, and says how near a colour comes back</source>
        <translation>Setzt die Tabelle an ihre Stelle, die zurücknimmt, was sie tut, und sagt, wie nah eine Farbe zurückkommt</translation>
    </message>
    <message>
        <source>LUT files (*.cube *.3dl *.clf);;LUTs that are pictures (*.png *.tif *.tiff *.jpg *.jpeg);;All files (*)</source>
        <translation>LUT-Dateien (*.cube *.3dl *.clf);;LUTs, die Bilder sind (*.png *.tif *.tiff *.jpg *.jpeg);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Reading %1…</source>
        <translation>%1 wird gelesen…</translation>
    </message>
    <message>
        <source>%1 is loaded</source>
        <translation>%1 ist geladen</translation>
    </message>
    <message>
        <source>%1 is being inverted…</source>
        <translation>%1 wird umgekehrt…</translation>
    </message>
    <message>
        <source>%1, taken back</source>
        <translation>%1, zurückgenommen</translation>
    </message>
    <message>
        <source>Inverted: 99 of 100 colours come back within ΔE %1</source>
        <translation>Umgekehrt: 99 von 100 Farben kommen bis auf ΔE %1 zurück</translation>
    </message>
    <message>
        <source>%1 % of all colours it makes of none: they go to what is nearest</source>
        <translation>%1 % aller Farben macht sie aus keiner: sie gehen zur nächsten</translation>
    </message>
</context>
<context>
    <name>baryton::LutHealthView</name>
    <message>
        <source>Being looked at…</source>
        <translation>Wird angesehen…</translation>
    </message>
    <message>
        <source>Read it as %1</source>
        <translation>Als %1 lesen</translation>
    </message>
    <message>
        <source>Nothing stands out: no clipping, no folds, greys stay grey.</source>
        <translation>Nichts fällt auf: kein Beschnitt, keine Umkehr, Grau bleibt Grau.</translation>
    </message>
</context>
<context>
    <name>baryton::LutLines</name>
    <message>
        <source>line {}</source>
        <translation>Zeile {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a number</source>
        <translation>&quot;{}&quot; ist keine Zahl</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a whole number</source>
        <translation>&quot;{}&quot; ist keine ganze Zahl</translation>
    </message>
    <message>
        <source>{} is outside {}…{}</source>
        <translation>{} liegt außerhalb von {}…{}</translation>
    </message>
</context>
<context>
    <name>baryton::LutPanel</name>
    <message>
        <source>Export LUT</source>
        <translation>LUT ausgeben</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Grid</source>
        <translation>Raster</translation>
    </message>
    <message>
        <source>Points along each edge: more follow a strong look more closely and make a larger file</source>
        <translation>Punkte an jeder Kante: mehr folgen einem starken Look genauer und machen eine größere Datei</translation>
    </message>
    <message>
        <source>Reads · writes</source>
        <translation>Liest · schreibt</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>LUT file</source>
        <translation>LUT-Datei</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>This file is there already and will be replaced.</source>
        <translation>Diese Datei ist schon da und wird ersetzt.</translation>
    </message>
    <message>
        <source>%1: ΔE mean %2 · 99 % %3 · worst %4</source>
        <translation>%1: ΔE Mittel %2 · 99 % %3 · max. %4</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>All colours</source>
        <translation>Alle Farben</translation>
    </message>
    <message>
        <source>Nothing is left out.</source>
        <translation>Nichts wird weggelassen.</translation>
    </message>
    <message>
        <source>Left out, as it is no function of colour alone: %1</source>
        <translation>Weggelassen, weil nicht allein von der Farbe abhängig: %1</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Wird gemessen…</translation>
    </message>
    <message>
        <source>Fidelity at %1 (on %2)</source>
        <translation>Treue bei %1 (%2)</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Writing and reading back…</source>
        <translation>Wird geschrieben und zurückgelesen…</translation>
    </message>
    <message>
        <source>Written and read back: %1</source>
        <translation>Geschrieben und zurückgelesen: %1</translation>
    </message>
    <message>
        <source>LUT written: %1</source>
        <translation>LUT geschrieben: %1</translation>
    </message>
    <message>
        <source>a LUT</source>
        <translation>eine LUT</translation>
    </message>
    <message>
        <source>Masked layers everywhere</source>
        <translation>Masken ignorieren</translation>
    </message>
    <message>
        <source>A LUT knows nothing of places: layers that a mask holds to some are left out of it, or act everywhere</source>
        <translation>Eine LUT weiß nichts von Orten: Ebenen, die eine Maske an manchen hält, fehlen darin oder wirken überall</translation>
    </message>
    <message>
        <source>Acts everywhere in it: %1</source>
        <translation>Wirkt darin überall: %1</translation>
    </message>
    <message>
        <source>Fitted nodes (sampled: mean %1, worst %2)</source>
        <translation>Angepasst (abgetastet: Mittel %1, max. %2)</translation>
    </message>
    <message>
        <source>A .3dl file has no room for the 1D table that light needs: choose .cube, or another space to read.</source>
        <translation>Eine .3dl-Datei hat keinen Platz für die 1D-Tabelle, die Licht braucht: wähle .cube oder einen anderen gelesenen Raum.</translation>
    </message>
    <message>
        <source>With Prep</source>
        <translation>Mit Vorbereitung</translation>
    </message>
    <message>
        <source>Account</source>
        <translation>Rechnung</translation>
    </message>
    <message>
        <source>Grids</source>
        <translation>Raster</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>Bakes this picture&apos;s Exposure and White balance too: for a LUT that is to make the whole picture, rather than one that is worn by many</source>
        <translation>Nimmt auch Belichtung und Weißabgleich dieses Bildes hinein: für eine LUT, die das ganze Bild machen soll, statt einer, die viele tragen</translation>
    </message>
    <message>
        <source>What each grid misses</source>
        <translation>Was jedes Raster verfehlt</translation>
    </message>
    <message>
        <source>ΔE that 99 of 100 colours stay below at each grid, and the file&apos;s size: light, on the pictures; grey, over all colours. Press a grid to choose it; drag the line to say how much is near enough</source>
        <translation>ΔE, unter dem 99 von 100 Farben bei jedem Raster bleiben, und die Größe der Datei: hell auf den Bildern, grau über alle Farben. Ein Druck wählt ein Raster; an der Linie ziehen Sie, wie viel nah genug ist</translation>
    </message>
    <message>
        <source>What is seen of it</source>
        <translation>Was davon zu sehen ist</translation>
    </message>
    <message>
        <source>LUT files (*.cube *.3dl *.clf)</source>
        <translation>LUT-Dateien (*.cube *.3dl *.clf)</translation>
    </message>
</context>
<context>
    <name>baryton::MainWindow</name>
    <message>
        <source>Baryton</source>
        <translation>Baryton</translation>
    </message>
    <message>
        <source>%1 – Baryton</source>
        <translation>%1 – Baryton</translation>
    </message>
    <message>
        <source>Open folder</source>
        <translation>Ordner öffnen</translation>
    </message>
    <message>
        <source>Open pictures</source>
        <translation>Bilder öffnen</translation>
    </message>
    <message>
        <source>Pictures (%1)</source>
        <translation>Bilder (%1)</translation>
    </message>
    <message>
        <source>Nothing opened yet</source>
        <translation>Noch nichts geöffnet</translation>
    </message>
    <message>
        <source>Grade copied. Paste gives its Look and Finish; with ticks, whatever you choose.</source>
        <translation>Gestaltung kopiert. Einfügen gibt ihren Look und Abschluss, mit Häkchen alles Gewählte.</translation>
    </message>
    <message>
        <source>Copy a grade first (Ctrl+C)</source>
        <translation>Erst eine Gestaltung kopieren (Strg+C)</translation>
    </message>
    <message>
        <source>Paste</source>
        <translation>Einfügen</translation>
    </message>
    <message>
        <source>Pasted: it %1</source>
        <translation>Eingefügt: es %1</translation>
    </message>
    <message>
        <source>Write this picture</source>
        <translation>Dieses Bild schreiben</translation>
    </message>
    <message>
        <source>JPEG (*.jpg)</source>
        <translation>JPEG (*.jpg)</translation>
    </message>
    <message>
        <source>TIFF, 16 bit (*.tif)</source>
        <translation>TIFF, 16 Bit (*.tif)</translation>
    </message>
    <message>
        <source>PNG, 16 bit (*.png)</source>
        <translation>PNG, 16 Bit (*.png)</translation>
    </message>
    <message>
        <source>command</source>
        <translation>Befehl</translation>
    </message>
    <message>
        <source>stage</source>
        <translation>Stufe</translation>
    </message>
    <message>
        <source>add</source>
        <translation>hinzufügen</translation>
    </message>
    <message>
        <source>Add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Undo %1</source>
        <translation>%1 rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>Redo %1</source>
        <translation>%1 wiederholen</translation>
    </message>
    <message numerus="yes">
        <source>%n grades are not on the disk yet, so the window stays open. Make room, or close it once more to leave without them</source>
        <translation>
            <numerusform>Eine Gestaltung ist noch nicht auf der Platte, darum bleibt das Fenster offen. Platz schaffen, oder noch einmal schließen, um ohne sie zu gehen</numerusform>
            <numerusform>%n Gestaltungen sind noch nicht auf der Platte, darum bleibt das Fenster offen. Platz schaffen, oder noch einmal schließen, um ohne sie zu gehen</numerusform>
        </translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Edit</source>
        <translation>Bearbeiten</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>Help</source>
        <translation>Hilfe</translation>
    </message>
    <message>
        <source>Add a stage</source>
        <translation>Eine Stufe hinzufügen</translation>
    </message>
    <message>
        <source>Open recent</source>
        <translation>Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Grade</source>
        <translation>Gestalten</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Packen</translation>
    </message>
    <message>
        <source>Batch</source>
        <translation>Stapel</translation>
    </message>
    <message>
        <source>How long the last frame took to render</source>
        <translation>Wie lange das letzte Bild gerechnet hat</translation>
    </message>
    <message>
        <source>%1 ms</source>
        <translation>%1 ms</translation>
    </message>
    <message>
        <source>preset · %1</source>
        <translation>Vorgabe · %1</translation>
    </message>
    <message>
        <source>They are in the set already</source>
        <translation>Sie sind schon dabei</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Anleitung</translation>
    </message>
    <message>
        <source>Pictures are shown as this device would print or show them; View, Soft proof ends it</source>
        <translation>Bilder werden gezeigt, wie dieses Gerät sie drucken oder zeigen würde; Ansicht, Druckansicht beendet es</translation>
    </message>
    <message>
        <source>Proof: %1</source>
        <translation>Ansicht als: %1</translation>
    </message>
</context>
<context>
    <name>baryton::Make</name>
    <message>
        <source>Another picture was chosen meanwhile: its LUT stays as it is</source>
        <translation>Inzwischen wurde ein anderes Bild gewählt: dessen LUT bleibt, wie sie ist</translation>
    </message>
</context>
<context>
    <name>baryton::MaskPages</name>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>This shape comes from a newer Baryton. It is kept as it is; until it is deleted the layer acts nowhere.</source>
        <translation>Diese Form stammt aus einem neueren Baryton. Sie bleibt, wie sie ist; bis sie gelöscht wird, wirkt die Ebene nirgends.</translation>
    </message>
    <message>
        <source>Of the picture&apos;s width, before any frame</source>
        <translation>Von der Breite des Bildes, vor jedem Ausschnitt</translation>
    </message>
    <message>
        <source>Of its height</source>
        <translation>Von seiner Höhe</translation>
    </message>
    <message>
        <source>Of the picture&apos;s long side</source>
        <translation>Von der langen Seite des Bildes</translation>
    </message>
    <message>
        <source>Centre across</source>
        <translation>Mitte waagrecht</translation>
    </message>
    <message>
        <source>Centre down</source>
        <translation>Mitte senkrecht</translation>
    </message>
    <message>
        <source>Radius across</source>
        <translation>Radius quer</translation>
    </message>
    <message>
        <source>Radius down</source>
        <translation>Radius hoch</translation>
    </message>
    <message>
        <source>Turn</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Clockwise</source>
        <translation>Im Uhrzeigersinn</translation>
    </message>
    <message>
        <source>Feather</source>
        <translation>Auslauf</translation>
    </message>
    <message>
        <source>Over how much of its radius it fades</source>
        <translation>Über wie viel ihres Radius sie ausläuft</translation>
    </message>
    <message>
        <source>Whole across</source>
        <translation>Ganz quer</translation>
    </message>
    <message>
        <source>Whole down</source>
        <translation>Ganz hoch</translation>
    </message>
    <message>
        <source>Nothing across</source>
        <translation>Nichts quer</translation>
    </message>
    <message>
        <source>Nothing down</source>
        <translation>Nichts hoch</translation>
    </message>
    <message>
        <source>THE NEXT STROKE</source>
        <translation>DER NÄCHSTE STRICH</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Radius of the brush, of the picture&apos;s long side. On the picture: the wheel with Alt, or Alt with Up and Down</source>
        <translation>Radius des Pinsels, von der langen Seite des Bildes. Auf dem Bild: das Rad mit Alt, oder Alt mit Auf und Ab</translation>
    </message>
    <message>
        <source>Softness</source>
        <translation>Weichheit</translation>
    </message>
    <message>
        <source>Over how much of its radius it fades. On the picture: the wheel with Alt and Shift, or Alt with Left and Right</source>
        <translation>Über wie viel seines Radius er ausläuft. Auf dem Bild: das Rad mit Alt und Umschalt, oder Alt mit Links und Rechts</translation>
    </message>
    <message>
        <source>Flow</source>
        <translation>Fluss</translation>
    </message>
    <message>
        <source>How much one stroke lays down; strokes over one another build up</source>
        <translation>Wie viel ein Strich aufträgt; Striche übereinander bauen sich auf</translation>
    </message>
    <message>
        <source>Erases</source>
        <translation>Löscht</translation>
    </message>
    <message>
        <source>The next strokes take away what is painted; Ctrl held while painting does the other</source>
        <translation>Die nächsten Striche nehmen Gemaltes weg; gehaltene Strg tut beim Malen das andere</translation>
    </message>
    <message>
        <source>Keeps to its colour</source>
        <translation>Bleibt bei der Farbe</translation>
    </message>
    <message>
        <source>A stroke stays within the colour that it begins on</source>
        <translation>Ein Strich bleibt in der Farbe, auf der er beginnt</translation>
    </message>
    <message>
        <source>Ceiling</source>
        <translation>Obergrenze</translation>
    </message>
    <message>
        <source>However often it is painted over, no more than this</source>
        <translation>So oft auch übermalt wird, nicht mehr als das</translation>
    </message>
    <message>
        <source>Begin anew</source>
        <translation>Neu beginnen</translation>
    </message>
    <message>
        <source>The next press on the picture sets the range; those after it widen it</source>
        <translation>Der nächste Druck auf das Bild setzt den Bereich; die danach weiten ihn</translation>
    </message>
    <message>
        <source>Press or sweep on the picture: the tones there come into the range.</source>
        <translation>Auf das Bild drücken oder darüber streichen: Die Töne dort kommen in den Bereich.</translation>
    </message>
    <message>
        <source>Tones from</source>
        <translation>Töne von</translation>
    </message>
    <message>
        <source>The layer acts on tones from here up.</source>
        <translation>Die Ebene wirkt auf Töne von hier aufwärts.</translation>
    </message>
    <message>
        <source>Tones to</source>
        <translation>Töne bis</translation>
    </message>
    <message>
        <source>The layer acts on tones up to here.</source>
        <translation>Die Ebene wirkt auf Töne bis hierher.</translation>
    </message>
    <message>
        <source>Over how many tones it fades beyond the ends</source>
        <translation>Über wie viele Töne er jenseits der Enden ausläuft</translation>
    </message>
    <message>
        <source>Press or sweep on the picture: the colours there come into the range; with Ctrl they are taken out, by a shape of their own.</source>
        <translation>Auf das Bild drücken oder darüber streichen: Die Farben dort kommen in den Bereich; mit Strg werden sie herausgenommen, durch eine eigene Form.</translation>
    </message>
    <message>
        <source>Over how much it fades beyond</source>
        <translation>Über wie viel er jenseits ausläuft</translation>
    </message>
    <message>
        <source>Hue</source>
        <translation>Farbton</translation>
    </message>
    <message>
        <source>The middle of its hues</source>
        <translation>Die Mitte seiner Farbtöne</translation>
    </message>
    <message>
        <source>Hue width</source>
        <translation>Farbtonbreite</translation>
    </message>
    <message>
        <source>How many degrees of hue; 360 is all of them</source>
        <translation>Wie viele Grad des Farbtons; 360 sind alle</translation>
    </message>
    <message>
        <source>Hue softness</source>
        <translation>Farbtonweichheit</translation>
    </message>
    <message>
        <source>Chroma from</source>
        <translation>Buntheit von</translation>
    </message>
    <message>
        <source>Greys come in where this is 0</source>
        <translation>Graues kommt hinein, wo dies 0 ist</translation>
    </message>
    <message>
        <source>Chroma to</source>
        <translation>Buntheit bis</translation>
    </message>
    <message>
        <source>Of the most colourful that it holds</source>
        <translation>Des Buntesten, das er enthält</translation>
    </message>
    <message>
        <source>Chroma softness</source>
        <translation>Buntheitsweichheit</translation>
    </message>
    <message>
        <source>Lightness from</source>
        <translation>Helligkeit von</translation>
    </message>
    <message>
        <source>Of its darkest</source>
        <translation>Seines Dunkelsten</translation>
    </message>
    <message>
        <source>Lightness to</source>
        <translation>Helligkeit bis</translation>
    </message>
    <message>
        <source>Of its lightest</source>
        <translation>Seines Hellsten</translation>
    </message>
    <message>
        <source>Lightness softness</source>
        <translation>Helligkeitsweichheit</translation>
    </message>
    <message>
        <source>Linked to</source>
        <translation>Verbunden mit</translation>
    </message>
    <message>
        <source>The layer whose mask this is: an edit of that one changes both</source>
        <translation>Die Ebene, deren Maske dies ist: Eine Änderung an jener ändert beide</translation>
    </message>
    <message>
        <source>A copy of another mask, which goes its own way.</source>
        <translation>Eine Kopie einer anderen Maske, die ihren eigenen Weg geht.</translation>
    </message>
    <message>
        <source>Cut the link</source>
        <translation>Verbindung trennen</translation>
    </message>
    <message>
        <source>The mask stays as it is now, and goes its own way from here on</source>
        <translation>Die Maske bleibt, wie sie jetzt ist, und geht von hier an ihren eigenen Weg</translation>
    </message>
    <message>
        <source>Paint on the picture where the layer is to act.</source>
        <translation>Auf das Bild malen, wo die Ebene wirken soll.</translation>
    </message>
    <message numerus="yes">
        <source>%n stroke(s) painted</source>
        <translation>
            <numerusform>%n Strich gemalt</numerusform>
            <numerusform>%n Striche gemalt</numerusform>
        </translation>
    </message>
    <message>
        <source>a layer that is gone</source>
        <translation>eine Ebene, die fort ist</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopie</translation>
    </message>
    <message>
        <source>As “%1”</source>
        <translation>Wie „%1“</translation>
    </message>
    <message>
        <source>Ellipse</source>
        <translation>Ellipse</translation>
    </message>
    <message>
        <source>Ramp</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Brush</source>
        <translation>Pinsel</translation>
    </message>
    <message>
        <source>Tones</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Colours</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>Unknown</source>
        <translation>Unbekannt</translation>
    </message>
    <message>
        <source>Find the object in it</source>
        <translation>Objekt darin finden</translation>
    </message>
    <message>
        <source>The object that lies within takes the place of the ellipse</source>
        <translation>Das Objekt, das darin liegt, tritt an die Stelle der Ellipse</translation>
    </message>
    <message>
        <source>Radius of the strokes over what belongs to it, of the picture&apos;s long side: a broad one reaches farther. On the picture: the wheel with Alt, or Alt with Up and Down</source>
        <translation>Radius der Striche über das, was dazugehört, von der langen Seite des Bildes: ein breiter reicht weiter. Auf dem Bild: das Rad mit Alt, oder Alt mit Auf und Ab</translation>
    </message>
    <message>
        <source>Takes away</source>
        <translation>Nimmt weg</translation>
    </message>
    <message>
        <source>The next strokes say what does not belong; Ctrl held while painting does the other</source>
        <translation>Die nächsten Striche sagen, was nicht dazugehört; Strg beim Malen tut das andere</translation>
    </message>
    <message>
        <source>Draw anew</source>
        <translation>Neu umfahren</translation>
    </message>
    <message>
        <source>The next line on the picture goes round the object; its strokes go</source>
        <translation>Die nächste Linie auf dem Bild umfährt das Objekt; seine Striche fallen weg</translation>
    </message>
    <message>
        <source>Object</source>
        <translation>Objekt</translation>
    </message>
</context>
<context>
    <name>baryton::MatchPage</name>
    <message>
        <source>Set their Prep</source>
        <translation>Vorbereitung setzen</translation>
    </message>
    <message>
        <source>Sets exposure and white balance of the pictures as they are shown on the right of each pair; one step of undo</source>
        <translation>Setzt Belichtung und Weißabgleich der Bilder, wie sie rechts in jedem Paar zu sehen sind; ein Schritt zum Zurücknehmen</translation>
    </message>
    <message>
        <source>Pictures before and after</source>
        <translation>Bilder vorher und nachher</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>As it would be</source>
        <translation>Wie es würde</translation>
    </message>
    <message>
        <source>WHAT IT IS SET TO</source>
        <translation>WORAUF ES GESETZT WIRD</translation>
    </message>
    <message>
        <source>Leave it as it is</source>
        <translation>So lassen, wie es ist</translation>
    </message>
    <message>
        <source>ITS RUN</source>
        <translation>SEINE FOLGE</translation>
    </message>
    <message>
        <source>Begin a run here</source>
        <translation>Neu ab hier</translation>
    </message>
    <message>
        <source>From this picture on they show another scene</source>
        <translation>Ab diesem Bild zeigen sie eine andere Szene</translation>
    </message>
    <message>
        <source>Join with the one before</source>
        <translation>Zur vorigen</translation>
    </message>
    <message>
        <source>This run and the one before show the same scene</source>
        <translation>Diese Folge und die vorige zeigen dieselbe Szene</translation>
    </message>
    <message>
        <source>OTHER SCENES</source>
        <translation>ANDERE SZENEN</translation>
    </message>
    <message>
        <source>Toward the key</source>
        <translation>Zum Schlüsselbild</translation>
    </message>
    <message>
        <source>How far the cast and the key tone of other scenes are drawn to the key picture&apos;s: a third of a stop and 60 mired at most. A night stays a night</source>
        <translation>Wie weit Farbstich und Grundton anderer Szenen zu denen des Schlüsselbildes gezogen werden: höchstens ein Drittel Blende und 60 Mired. Eine Nacht bleibt eine Nacht</translation>
    </message>
    <message>
        <source>matched to %1</source>
        <translation>angeglichen an %1</translation>
    </message>
    <message>
        <source>the only one of its scene</source>
        <translation>das einzige seiner Szene</translation>
    </message>
    <message>
        <source>Run %1 · %2</source>
        <translation>Folge %1 · %2</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>stays</source>
        <translation>bleibt</translation>
    </message>
    <message>
        <source>could not be matched: stays</source>
        <translation>ließ sich nicht angleichen: bleibt</translation>
    </message>
    <message>
        <source>Open pictures to match them</source>
        <translation>Bilder öffnen, um sie anzugleichen</translation>
    </message>
    <message>
        <source>Looking which pictures show one scene: %1 of %2</source>
        <translation>Welche Bilder zeigen eine Szene? %1 von %2</translation>
    </message>
    <message>
        <source>Matching…</source>
        <translation>Gleicht an …</translation>
    </message>
    <message>
        <source>Left as it is, right as it would be: %1 of %2 change</source>
        <translation>Links wie es ist, rechts wie es würde: %1 von %2 ändern sich</translation>
    </message>
    <message>
        <source> · %1 could not be matched</source>
        <translation> · %1 ließen sich nicht angleichen</translation>
    </message>
    <message>
        <source>Choose a picture</source>
        <translation>Ein Bild wählen</translation>
    </message>
    <message>
        <source>set by hand</source>
        <translation>von Hand gesetzt</translation>
    </message>
    <message>
        <source>Match the light</source>
        <translation>Licht angleichen</translation>
    </message>
    <message numerus="yes">
        <source>The Prep of %n pictures is set. Undo takes it back</source>
        <translation>
            <numerusform>Die Vorbereitung von %n Bild ist gesetzt. Zurücknehmen ist möglich</numerusform>
            <numerusform>Die Vorbereitung von %n Bildern ist gesetzt. Zurücknehmen ist möglich</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::MissedView</name>
    <message>
        <source>Where the LUT misses</source>
        <translation>Wo die LUT danebenliegt</translation>
    </message>
    <message>
        <source>As a LUT</source>
        <translation>Als LUT</translation>
    </message>
    <message>
        <source>How far the LUT is from the Look at each pixel: black is nothing, amber ΔE ½, white ΔE 1 and more.</source>
        <translation>Wie weit die LUT in jedem Bildpunkt vom Look entfernt ist: Schwarz ist nichts, Bernstein ΔE ½, Weiß ΔE 1 und mehr.</translation>
    </message>
    <message>
        <source>How far the LUT is from the Look at each pixel: black is nothing, white is ΔE 1 and more. Press to see it large</source>
        <translation>Wie weit die LUT in jedem Bildpunkt vom Look entfernt ist: Schwarz ist nichts, Weiß ΔE 1 und mehr. Ein Druck zeigt es groß</translation>
    </message>
    <message>
        <source>Measuring…</source>
        <translation>Wird gemessen…</translation>
    </message>
</context>
<context>
    <name>baryton::NoiseEditor</name>
    <message>
        <source>Measure the picture</source>
        <translation>Bild vermessen</translation>
    </message>
    <message>
        <source>Looks how strong the noise is where the picture is even, and sets both by it</source>
        <translation>Misst, wie stark das Rauschen ist, wo das Bild gleichmäßig ist, und stellt beides danach ein</translation>
    </message>
    <message>
        <source>The picture is still being read; press again when it is there.</source>
        <translation>Das Bild wird noch gelesen; noch einmal drücken, wenn es da ist.</translation>
    </message>
    <message>
        <source>No part of the picture is even enough to tell. Judge at 100 %.</source>
        <translation>Kein Teil des Bildes ist gleichmäßig genug dafür. Bei 100 % beurteilen.</translation>
    </message>
    <message>
        <source>Where it is even: %1 % in brightness, %2 % in colour.</source>
        <translation>Wo es gleichmäßig ist: %1 % in der Helligkeit, %2 % in der Farbe.</translation>
    </message>
    <message>
        <source>That is not seen.</source>
        <translation>Das sieht man nicht.</translation>
    </message>
</context>
<context>
    <name>baryton::NumberField</name>
    <message>
        <source>This is no number. Write a number or a sum such as 12+3; Escape takes it back.</source>
        <translation>Das ist keine Zahl. Eine Zahl oder eine Rechnung wie 12+3 schreiben; Escape nimmt es zurück.</translation>
    </message>
    <message>
        <source>From %1 to %2. Escape takes it back.</source>
        <translation>Von %1 bis %2. Escape nimmt es zurück.</translation>
    </message>
    <message>
        <source>%1 was not taken: %2</source>
        <translation>%1 wurde nicht genommen: %2</translation>
    </message>
</context>
<context>
    <name>baryton::OutputPanel</name>
    <message>
        <source> 16 bit</source>
        <translation> 16 Bit</translation>
    </message>
    <message>
        <source> float</source>
        <translation> Gleitkomma</translation>
    </message>
    <message>
        <source>quality %1</source>
        <translation>Qualität %1</translation>
    </message>
    <message>
        <source>mark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>Output</source>
        <translation>Ausgabe</translation>
    </message>
    <message>
        <source>LOOKS</source>
        <translation>LOOKS</translation>
    </message>
    <message>
        <source>Each picture&apos;s own grade</source>
        <translation>Die eigene Gestaltung jedes Bildes</translation>
    </message>
    <message>
        <source>As it was graded here</source>
        <translation>Wie es hier gestaltet wurde</translation>
    </message>
    <message>
        <source>Batch: looks</source>
        <translation>Stapel: Looks</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>Whether each picture&apos;s own exposure and white balance are used</source>
        <translation>Ob Belichtung und Weißabgleich jedes Bildes verwendet werden</translation>
    </message>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>Batch: Prep</source>
        <translation>Stapel: Vorbereitung</translation>
    </message>
    <message>
        <source>FILES OF EACH</source>
        <translation>DATEIEN VON JEDEM</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Dazu</translation>
    </message>
    <message>
        <source>A second kind of file of each picture, as a small JPEG beside a TIFF for print</source>
        <translation>Eine zweite Art von Datei von jedem Bild, etwa ein kleines JPEG neben einem TIFF für den Druck</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Takes the chosen kind of file out of the run</source>
        <translation>Nimmt die gewählte Art von Datei aus dem Lauf</translation>
    </message>
    <message>
        <source>Kinds of file made of each picture</source>
        <translation>Arten von Datei von jedem Bild</translation>
    </message>
    <message>
        <source>8</source>
        <translation>8</translation>
    </message>
    <message>
        <source>16</source>
        <translation>16</translation>
    </message>
    <message>
        <source>float</source>
        <translation>float</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Bits of a channel. Float keeps what is beyond black and white</source>
        <translation>Bit je Kanal. float behält, was jenseits von Schwarz und Weiß liegt</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Quality</source>
        <translation>Qualität</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation>wie es ist</translation>
    </message>
    <message>
        <source>2400 px: the long side. 2400 x 1600: a box that it fits into. 6 MP, 50 %. Empty: as it is</source>
        <translation>2400 px: die lange Seite. 2400 x 1600: ein Kasten, in den es passt. 6 MP, 50 %. Leer: wie es ist</translation>
    </message>
    <message>
        <source>enlarge</source>
        <translation>vergrößern</translation>
    </message>
    <message>
        <source>Pictures smaller than that are enlarged; else they stay as they are</source>
        <translation>Kleinere Bilder werden vergrößert; sonst bleiben sie, wie sie sind</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>The colours that the files&apos; numbers mean; the profile is put into each file</source>
        <translation>Die Farben, die die Zahlen der Dateien bedeuten; das Profil kommt in jede Datei</translation>
    </message>
    <message>
        <source>Colours</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>Screen</source>
        <translation>Schirm</translation>
    </message>
    <message>
        <source>Matt</source>
        <translation>Matt</translation>
    </message>
    <message>
        <source>Gloss</source>
        <translation>Glanz</translation>
    </message>
    <message>
        <source>Sharpening for output: for screens, or for matt or glossy paper by the resolution</source>
        <translation>Schärfen für die Ausgabe: für Bildschirme, oder für mattes oder glänzendes Papier nach der Auflösung</translation>
    </message>
    <message>
        <source>Sharpen</source>
        <translation>Schärfen</translation>
    </message>
    <message>
        <source>Encoding, mark, metadata…</source>
        <translation>Kodierung, Marke, Metadaten …</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>Encoding, mark, metadata</source>
        <translation>Kodierung, Marke, Metadaten</translation>
    </message>
    <message>
        <source>Batch: further file</source>
        <translation>Stapel: weitere Datei</translation>
    </message>
    <message>
        <source>Batch: file removed</source>
        <translation>Stapel: Datei entfernt</translation>
    </message>
    <message>
        <source>Batch: format</source>
        <translation>Stapel: Format</translation>
    </message>
    <message>
        <source>Batch: depth</source>
        <translation>Stapel: Tiefe</translation>
    </message>
    <message>
        <source>Batch: quality</source>
        <translation>Stapel: Qualität</translation>
    </message>
    <message>
        <source>Batch: size</source>
        <translation>Stapel: Größe</translation>
    </message>
    <message>
        <source>Batch: enlarging</source>
        <translation>Stapel: Vergrößern</translation>
    </message>
    <message>
        <source>Batch: sharpening</source>
        <translation>Stapel: Schärfung</translation>
    </message>
    <message>
        <source>Batch: colours</source>
        <translation>Stapel: Farben</translation>
    </message>
    <message>
        <source>Profile of the files</source>
        <translation>Profil der Dateien</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
    <message>
        <source>WHERE</source>
        <translation>WOHIN</translation>
    </message>
    <message>
        <source>Choose the folder</source>
        <translation>Den Ordner wählen</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Output folder</source>
        <translation>Ordner der Ausgabe</translation>
    </message>
    <message>
        <source>{stem} the picture&apos;s name, {look} the look&apos;s, {preset} the same as it is written, {n} or {n:0000} a number, {ext} the extension; {folder}, {date}, {time}, {camera}, {lens}, {iso} as the picture has them; {width}, {height} of the file. Folders may be part of it</source>
        <translation>{stem} der Name des Bildes, {look} der des Looks, {preset} derselbe, wie er geschrieben ist, {n} oder {n:0000} eine Nummer, {ext} die Endung; {folder}, {date}, {time}, {camera}, {lens}, {iso}, wie das Bild sie hat; {width}, {height} der Datei. Ordner dürfen dazugehören</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Name template</source>
        <translation>Namensmuster</translation>
    </message>
    <message>
        <source>If it exists</source>
        <translation>Vorhandene</translation>
    </message>
    <message>
        <source>Batch: folder</source>
        <translation>Stapel: Ordner</translation>
    </message>
    <message>
        <source>Folder for the finished files</source>
        <translation>Ordner für die fertigen Dateien</translation>
    </message>
    <message>
        <source>Batch: names</source>
        <translation>Stapel: Namen</translation>
    </message>
    <message>
        <source>Batch: existing files</source>
        <translation>Stapel: vorhandene Dateien</translation>
    </message>
    <message>
        <source>ICC file…</source>
        <translation>ICC-Datei …</translation>
    </message>
    <message>
        <source>Ask</source>
        <translation>Fragen</translation>
    </message>
    <message>
        <source>Number: the new file gets a number. Skip: what is there stays, nothing is made. Replace: what Baryton itself wrote is written over, never anything else. Ask: when a run meets files</source>
        <translation>Nummer: die neue Datei bekommt eine Nummer. Auslassen: was da ist, bleibt, nichts wird gemacht. Ersetzen: was Baryton selbst schrieb, wird überschrieben, sonst nie etwas. Fragen: wenn ein Lauf auf Dateien trifft</translation>
    </message>
    <message>
        <source>Number the new file</source>
        <translation>Die neue Datei nummerieren</translation>
    </message>
    <message>
        <source>Skip it</source>
        <translation>Auslassen</translation>
    </message>
    <message>
        <source>Replace what is ours</source>
        <translation>Unsere ersetzen</translation>
    </message>
    <message>
        <source>Takes of the pictures, each as a look of its own; a picture that has no such take is left out</source>
        <translation>Fassungen der Bilder, jede als eigener Look; ein Bild ohne eine solche Fassung wird ausgelassen</translation>
    </message>
    <message>
        <source>Its own</source>
        <translation>Eigene</translation>
    </message>
    <message>
        <source>Matched</source>
        <translation>Angeglichen</translation>
    </message>
    <message>
        <source>Its own, with exposure and white balance as Match shows them; the grades stay as they are</source>
        <translation>Die eigene, mit Belichtung und Weißabgleich, wie Angleichen sie zeigt; die Bearbeitungen bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Fassungen</translation>
    </message>
    <message>
        <source>Takes: %1</source>
        <translation>Fassungen: %1</translation>
    </message>
    <message>
        <source>No picture has a take. Grade keeps them</source>
        <translation>Kein Bild hat eine Fassung. Gestalten legt sie an</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
</context>
<context>
    <name>baryton::OverlayEditor</name>
    <message>
        <source>Choose a picture…</source>
        <translation>Bild wählen …</translation>
    </message>
    <message>
        <source>Take out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source>A picture file of any kind that can be opened here; it can be dropped here as well</source>
        <translation>Eine Bilddatei, wie sie hier geöffnet werden kann; sie kann auch hier fallen gelassen werden</translation>
    </message>
    <message>
        <source>Nothing is laid over any more; the settings stay</source>
        <translation>Es wird nichts mehr darübergelegt; die Einstellungen bleiben</translation>
    </message>
    <message>
        <source>%1 is being read…</source>
        <translation>%1 wird gelesen …</translation>
    </message>
    <message>
        <source>Choose what is laid over, or drop a picture file here: steam, dust, paper, a flare.</source>
        <translation>Wählen, was darübergelegt wird, oder eine Bilddatei hier fallen lassen: Dampf, Staub, Papier.</translation>
    </message>
    <message>
        <source>“%1” did not come along whole: nothing is laid over. Choose it again.</source>
        <translation>„%1“ ist nicht ganz mitgekommen: es wird nichts darübergelegt. Noch einmal wählen.</translation>
    </message>
    <message>
        <source>goes along in presets</source>
        <translation>geht in Vorgaben mit</translation>
    </message>
    <message>
        <source>Choose a picture to lay over</source>
        <translation>Ein Bild zum Darüberlegen wählen</translation>
    </message>
    <message>
        <source>Pictures (%1);;All files (*)</source>
        <translation>Bilder (%1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>The picture that is laid over</source>
        <translation>Das Bild, das darübergelegt wird</translation>
    </message>
</context>
<context>
    <name>baryton::PackagePage</name>
    <message>
        <source>Bare</source>
        <translation>Blank</translation>
    </message>
    <message>
        <source>As graded</source>
        <translation>Wie gestaltet</translation>
    </message>
    <message>
        <source>Search presets</source>
        <translation>Vorgaben suchen</translation>
    </message>
    <message>
        <source>Looks through names, groups, notes, authors and the stages that presets use</source>
        <translation>Durchsucht Namen, Gruppen, Notizen, Autoren und die Stufen, die Vorgaben verwenden</translation>
    </message>
    <message>
        <source>GROUPS</source>
        <translation>GRUPPEN</translation>
    </message>
    <message>
        <source>New group</source>
        <translation>Neue Gruppe</translation>
    </message>
    <message>
        <source>Makes a group</source>
        <translation>Legt eine Gruppe an</translation>
    </message>
    <message>
        <source>Show the folder</source>
        <translation>Den Ordner zeigen</translation>
    </message>
    <message>
        <source>Opens the folder of the presets: %1</source>
        <translation>Öffnet den Ordner der Vorgaben: %1</translation>
    </message>
    <message>
        <source>CHECK ON</source>
        <translation>PRÜFEN AN</translation>
    </message>
    <message>
        <source>Check pictures</source>
        <translation>Prüfbilder</translation>
    </message>
    <message>
        <source>Up to nine pictures on which presets are tried; tiles show the first three</source>
        <translation>Bis zu neun Bilder, an denen Vorgaben probiert werden; Kacheln zeigen die ersten drei</translation>
    </message>
    <message>
        <source>Nine check pictures are the most; take one away first</source>
        <translation>Neun Prüfbilder sind das meiste; erst eines wegnehmen</translation>
    </message>
    <message>
        <source>On pictures</source>
        <translation>Auf Bildern</translation>
    </message>
    <message>
        <source>How the check pictures stand</source>
        <translation>Wie die Prüfbilder stehen</translation>
    </message>
    <message>
        <source>The presets alone, on each picture&apos;s own Prep</source>
        <translation>Die Vorgaben allein, auf der Vorbereitung jedes Bildes</translation>
    </message>
    <message>
        <source>On the grades that the pictures have, applied as at the right</source>
        <translation>Auf den Gestaltungen der Bilder, angewandt wie rechts</translation>
    </message>
    <message>
        <source>By name</source>
        <translation>Nach Namen</translation>
    </message>
    <message>
        <source>Newest first</source>
        <translation>Neueste zuerst</translation>
    </message>
    <message>
        <source>By size</source>
        <translation>Nach Umfang</translation>
    </message>
    <message>
        <source>Those that set most values first</source>
        <translation>Zuerst, was am meisten Werte setzt</translation>
    </message>
    <message>
        <source>Order of the presets</source>
        <translation>Reihenfolge der Vorgaben</translation>
    </message>
    <message>
        <source>Presets</source>
        <translation>Vorgaben</translation>
    </message>
    <message>
        <source>Deleted: %1. Undo brings it back.</source>
        <translation>Gelöscht: %1. Rückgängig holt es zurück.</translation>
    </message>
    <message>
        <source>%1 presets deleted. Undo brings them back.</source>
        <translation>%1 Vorgaben gelöscht. Rückgängig holt sie zurück.</translation>
    </message>
    <message>
        <source>Apply</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>Favourite, or no longer</source>
        <translation>Favorit, oder nicht mehr</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Verdoppeln</translation>
    </message>
    <message>
        <source>Save over with the key picture&apos;s values</source>
        <translation>Mit den Werten des Schlüsselbildes überschreiben</translation>
    </message>
    <message>
        <source>Move to</source>
        <translation>Verschieben nach</translation>
    </message>
    <message>
        <source>Export as a pack…</source>
        <translation>Als Paket ausgeben…</translation>
    </message>
    <message>
        <source>Show the file</source>
        <translation>Die Datei zeigen</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Favourites</source>
        <translation>Favoriten</translation>
    </message>
    <message>
        <source>All presets</source>
        <translation>Alle Vorgaben</translation>
    </message>
    <message>
        <source>preset</source>
        <translation>Vorgabe</translation>
    </message>
    <message>
        <source>presets</source>
        <translation>Vorgaben</translation>
    </message>
    <message>
        <source>Survey the set with it</source>
        <translation>Die Serie damit durchsehen</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>Groups</source>
        <translation>Gruppen</translation>
    </message>
    <message>
        <source>Tiles</source>
        <translation>Kacheln</translation>
    </message>
    <message>
        <source>Details</source>
        <translation>Einzelheiten</translation>
    </message>
    <message>
        <source>Export as LUTs…</source>
        <translation>Als LUTs ausgeben…</translation>
    </message>
    <message>
        <source>Compare two…</source>
        <translation>Zwei vergleichen…</translation>
    </message>
    <message>
        <source>With two presets chosen (the second with Ctrl): both on the check pictures, and how far they are apart</source>
        <translation>Sind zwei Vorgaben gewählt (die zweite mit Strg): beide auf den Prüfbildern, und wie weit sie auseinander sind</translation>
    </message>
</context>
<context>
    <name>baryton::PairStep</name>
    <message>
        <source>Choose a picture before…</source>
        <translation>Bild davor wählen…</translation>
    </message>
    <message>
        <source>Choose what became of it…</source>
        <translation>Was daraus wurde…</translation>
    </message>
    <message>
        <source>Start anew</source>
        <translation>Neu beginnen</translation>
    </message>
    <message>
        <source>Pictures before and after</source>
        <translation>Bilder davor und danach</translation>
    </message>
    <message>
        <source>Choose what became of it</source>
        <translation>Was daraus wurde</translation>
    </message>
    <message>
        <source>Choose a picture before</source>
        <translation>Bild davor wählen</translation>
    </message>
    <message>
        <source>The same picture, ungraded and graded; dropping two files here does it.</source>
        <translation>Dasselbe Bild, ungestaltet und gestaltet; zwei Dateien hierher ziehen genügt.</translation>
    </message>
    <message>
        <source>Another pair with other colours teaches more.</source>
        <translation>Ein weiteres Paar mit anderen Farben lehrt mehr.</translation>
    </message>
    <message>
        <source>%1 pairs are learned from together.</source>
        <translation>Aus %1 Paaren wird zusammen gelernt.</translation>
    </message>
    <message>
        <source>Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</source>
        <translation>Bilder (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</translation>
    </message>
</context>
<context>
    <name>baryton::Palette</name>
    <message>
        <source>Find anything</source>
        <translation>Alles finden</translation>
    </message>
    <message>
        <source>A command, a stage, a preset, a picture</source>
        <translation>Ein Befehl, eine Stufe, eine Vorgabe, ein Bild</translation>
    </message>
    <message>
        <source>Nothing is called that. Try fewer letters, or what it is for: “soft”, “faded”, “export”.</source>
        <translation>Nichts heißt so. Versuchen Sie weniger Buchstaben oder wozu es dient: „weich“, „verblasst“, „exportieren“.</translation>
    </message>
</context>
<context>
    <name>baryton::PasteSheet</name>
    <message>
        <source>Paste with ticks</source>
        <translation>Mit Häkchen einfügen</translation>
    </message>
    <message>
        <source>picture gets what is ticked</source>
        <translation>Bild bekommt das Angehakte</translation>
    </message>
    <message>
        <source>pictures get what is ticked, as one step</source>
        <translation>Bilder bekommen das Angehakte, als ein Schritt</translation>
    </message>
    <message>
        <source>Paste</source>
        <translation>Einfügen</translation>
    </message>
</context>
<context>
    <name>baryton::PatternStep</name>
    <message>
        <source>Baryton&apos;s</source>
        <translation>Von Baryton</translation>
    </message>
    <message>
        <source>Square cube</source>
        <translation>Würfelquadrat</translation>
    </message>
    <message>
        <source>8 bit</source>
        <translation>8 Bit</translation>
    </message>
    <message>
        <source>16 bit</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>Write the pattern…</source>
        <translation>Muster schreiben…</translation>
    </message>
    <message>
        <source>Choose what came back…</source>
        <translation>Zurückgekommenes wählen…</translation>
    </message>
    <message>
        <source>A picture of every colour</source>
        <translation>Ein Bild aller Farben</translation>
    </message>
    <message>
        <source>Layout</source>
        <translation>Aufbau</translation>
    </message>
    <message>
        <source>Grid</source>
        <translation>Gitter</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Baryton&apos;s pattern tells what else was done to it, and is read where it lies; the square cube is what many programs know, and is read pixel by pixel</source>
        <translation>Das Muster von Baryton sagt, was sonst mit ihm geschah, und wird gelesen, wo es liegt; das Würfelquadrat kennen viele Programme, es wird Pixel für Pixel gelesen</translation>
    </message>
    <message>
        <source>Points along each edge: more follow a strong grade more closely</source>
        <translation>Punkte entlang jeder Kante: mehr folgen einer starken Gestaltung genauer</translation>
    </message>
    <message>
        <source>Write the pattern</source>
        <translation>Muster schreiben</translation>
    </message>
    <message>
        <source>Pictures (*.png *.tif)</source>
        <translation>Bilder (*.png *.tif)</translation>
    </message>
    <message>
        <source>or drop it here</source>
        <translation>oder hierher ziehen</translation>
    </message>
    <message>
        <source>Choose what came back</source>
        <translation>Zurückgekommenes wählen</translation>
    </message>
    <message>
        <source>Being written…</source>
        <translation>Wird geschrieben…</translation>
    </message>
    <message>
        <source>%1 · %2 × %3 pixels. Grade it with nothing but colours: no crop, no sharpening, no grain.</source>
        <translation>%1 · %2 × %3 Pixel. Nur die Farben gestalten: kein Beschnitt, keine Schärfe, kein Korn.</translation>
    </message>
    <message>
        <source>Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</source>
        <translation>Bilder (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)</translation>
    </message>
</context>
<context>
    <name>baryton::PendingFile</name>
    <message>
        <source>cannot make the folder</source>
        <translation>der Ordner ist nicht anzulegen</translation>
    </message>
    <message>
        <source>cannot write</source>
        <translation>nicht zu schreiben</translation>
    </message>
</context>
<context>
    <name>baryton::PictureReader::Decoder</name>
    <message>
        <source>its numbers are of a kind that pictures seldom have ({})</source>
        <translation>seine Zahlen sind von einer Art, die Bilder selten haben ({})</translation>
    </message>
    <message>
        <source>save it with 8 or 16 bits or as 32-bit float</source>
        <translation>mit 8 oder 16 Bit oder als 32-Bit-Gleitkomma sichern</translation>
    </message>
    <message>
        <source>its transparency is left out: Lab is read without</source>
        <translation>seine Durchsichtigkeit bleibt weg: Lab wird ohne sie gelesen</translation>
    </message>
    <message>
        <source>{}: its inks are read as those of an ordinary press</source>
        <translation>{}: seine Druckfarben werden wie die einer gewöhnlichen Druckmaschine gelesen</translation>
    </message>
    <message>
        <source>{}: its colours are read as sRGB</source>
        <translation>{}: seine Farben werden als sRGB gelesen</translation>
    </message>
    <message>
        <source>the camera put no picture to look at into the raw file</source>
        <translation>die Kamera hat kein Bild zum Ansehen in die Rohdatei gelegt</translation>
    </message>
    <message>
        <source>wait for the file itself</source>
        <translation>auf die Datei selbst warten</translation>
    </message>
</context>
<context>
    <name>baryton::PictureSet</name>
    <message numerus="yes">
        <source>Nothing else is opened now: %n grades are not on the disk yet. Make room, then open it again</source>
        <translation>
            <numerusform>Jetzt wird nichts anderes geöffnet: eine Gestaltung ist noch nicht auf der Platte. Platz schaffen, dann noch einmal öffnen</numerusform>
            <numerusform>Jetzt wird nichts anderes geöffnet: %n Gestaltungen sind noch nicht auf der Platte. Platz schaffen, dann noch einmal öffnen</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 was changed by someone else: that version is kept as %2</source>
        <translation>%1 wurde von jemand anderem geändert: jener Stand ist als %2 aufgehoben</translation>
    </message>
    <message>
        <source>Grades of this folder are kept in %1, because they can&apos;t be written beside the pictures: %2</source>
        <translation>Gestaltungen dieses Ordners liegen in %1, weil sie neben den Bildern nicht geschrieben werden können: %2</translation>
    </message>
    <message>
        <source>All grades are on the disk again</source>
        <translation>Alle Gestaltungen sind wieder auf der Platte</translation>
    </message>
    <message numerus="yes">
        <source>%n JPEGs lie beside raw files of the same name: each two are one picture here</source>
        <translation>
            <numerusform>%n JPEG liegt neben einer gleichnamigen Rohdatei: Beide sind hier ein Bild</numerusform>
            <numerusform>%n JPEGs liegen neben gleichnamigen Rohdateien: Je zwei sind hier ein Bild</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::PictureView</name>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <source>%1 by %2 pixels at %3 %</source>
        <translation>%1 mal %2 Pixel bei %3 %</translation>
    </message>
</context>
<context>
    <name>baryton::PictureWindow</name>
    <message>
        <source>A second window</source>
        <translation>Ein zweites Fenster</translation>
    </message>
    <message>
        <source>Picture in the second window</source>
        <translation>Bild im zweiten Fenster</translation>
    </message>
    <message>
        <source>Picture – Baryton</source>
        <translation>Bild – Baryton</translation>
    </message>
    <message>
        <source>%1, the picture – Baryton</source>
        <translation>%1, das Bild – Baryton</translation>
    </message>
    <message>
        <source>No reference yet: Picture, Reference picture… takes one.</source>
        <translation>Noch keine Referenz: Bild, Referenzbild… nimmt eine.</translation>
    </message>
    <message>
        <source>No picture is open.</source>
        <translation>Kein Bild ist geöffnet.</translation>
    </message>
    <message>
        <source>Show what Grade shows</source>
        <translation>Zeigen, was Gestalten zeigt</translation>
    </message>
    <message>
        <source>Show the version before</source>
        <translation>Die Fassung vorher zeigen</translation>
    </message>
    <message>
        <source>Show the reference</source>
        <translation>Die Referenz zeigen</translation>
    </message>
    <message>
        <source>The same place as in Grade</source>
        <translation>Dieselbe Stelle wie in Gestalten</translation>
    </message>
    <message>
        <source>Fit the window</source>
        <translation>Ins Fenster einpassen</translation>
    </message>
    <message>
        <source>Full size (100 %)</source>
        <translation>Volle Größe (100 %)</translation>
    </message>
    <message>
        <source>Full screen</source>
        <translation>Ganzer Bildschirm</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
</context>
<context>
    <name>baryton::PlanSheet</name>
    <message>
        <source>Run a plan</source>
        <translation>Einen Plan ausführen</translation>
    </message>
    <message>
        <source>Own grade</source>
        <translation>Eigene Gestaltung</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>files</source>
        <translation>Dateien</translation>
    </message>
    <message numerus="yes">
        <source>%n of the pictures are not there; the others are made</source>
        <translation>
            <numerusform>Eines der Bilder ist nicht da; die anderen werden gemacht</numerusform>
            <numerusform>%n der Bilder sind nicht da; die anderen werden gemacht</numerusform>
        </translation>
    </message>
    <message>
        <source>Looks</source>
        <translation>Looks</translation>
    </message>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>matched to %1</source>
        <translation>an %1 angeglichen</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Watch a folder with it…</source>
        <translation>Damit einen Ordner beobachten …</translation>
    </message>
    <message>
        <source>What arrives in a folder is made as the plan says; its own pictures are of no account</source>
        <translation>Was in einem Ordner ankommt, wird gemacht, wie der Plan es sagt; seine eigenen Bilder zählen nicht</translation>
    </message>
    <message>
        <source>Run</source>
        <translation>Ausführen</translation>
    </message>
    <message>
        <source>Plans</source>
        <translation>Pläne</translation>
    </message>
</context>
<context>
    <name>baryton::PreferencesSheet</name>
    <message>
        <source>Preferences</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>Theme</source>
        <translation>Aussehen</translation>
    </message>
    <message>
        <source>The window&apos;s own colours; greys are neutral in both</source>
        <translation>Die Farben des Fensters selbst; Grau ist in beiden neutral</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Dunkel</translation>
    </message>
    <message>
        <source>Light</source>
        <translation>Hell</translation>
    </message>
    <message>
        <source>Surround</source>
        <translation>Umfeld</translation>
    </message>
    <message>
        <source>How light the ground around the picture is</source>
        <translation>Wie hell der Grund um das Bild ist</translation>
    </message>
    <message>
        <source>Middle</source>
        <translation>Mittel</translation>
    </message>
    <message>
        <source>Before means</source>
        <translation>Vorher bedeutet</translation>
    </message>
    <message>
        <source>What comparisons begin with</source>
        <translation>Womit Vergleiche beginnen</translation>
    </message>
    <message>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <source>Prep only</source>
        <translation>Nur Vorbereitung</translation>
    </message>
    <message>
        <source>Memory for pictures, MB</source>
        <translation>Speicher für Bilder, MB</translation>
    </message>
    <message>
        <source>Decoded pictures are kept up to this, so that going back to one is quick</source>
        <translation>Bis hierher werden gelesene Bilder behalten, damit es schnell zu ihnen zurückgeht</translation>
    </message>
    <message>
        <source>Threads</source>
        <translation>Threads</translation>
    </message>
    <message>
        <source>0: all cores</source>
        <translation>0: alle Kerne</translation>
    </message>
    <message>
        <source>The desktop&apos;s</source>
        <translation>Desktop</translation>
    </message>
    <message>
        <source>sRGB</source>
        <translation>sRGB</translation>
    </message>
    <message>
        <source>A file…</source>
        <translation>Eine Datei…</translation>
    </message>
    <message>
        <source>Monitor profile</source>
        <translation>Bildschirmprofil</translation>
    </message>
    <message>
        <source>What the monitor makes of numbers; everything shown is fitted to it, files are not</source>
        <translation>Was der Bildschirm aus Zahlen macht; alles Gezeigte wird ihm angepasst, Dateien nicht</translation>
    </message>
    <message>
        <source>none set for this monitor: taken as sRGB</source>
        <translation>für diesen Bildschirm keines gesetzt: gilt als sRGB</translation>
    </message>
    <message>
        <source>One of %1 bytes, without a name</source>
        <translation>Eines von %1 Bytes, ohne Namen</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>The system&apos;s</source>
        <translation>Die des Systems</translation>
    </message>
    <message>
        <source>from the next start on</source>
        <translation>ab dem nächsten Start</translation>
    </message>
    <message>
        <source>all cores</source>
        <translation>alle Kerne</translation>
    </message>
    <message>
        <source>Memory for one picture, MB</source>
        <translation>Speicher für ein Bild, MB</translation>
    </message>
    <message>
        <source>A picture that would take more is not opened; 0: three quarters of the machine&apos;s memory</source>
        <translation>Ein Bild, das mehr bräuchte, wird nicht geöffnet; 0: drei Viertel des Arbeitsspeichers</translation>
    </message>
    <message>
        <source>¾ of all</source>
        <translation>¾ von allem</translation>
    </message>
    <message>
        <source>Raw and JPEG</source>
        <translation>Rohdatei und JPEG</translation>
    </message>
    <message>
        <source>A raw file and the JPEG beside it that has its name, when their folder is opened</source>
        <translation>Eine Rohdatei und das gleichnamige JPEG daneben, wenn ihr Ordner geöffnet wird</translation>
    </message>
    <message>
        <source>One picture</source>
        <translation>Ein Bild</translation>
    </message>
    <message>
        <source>Two</source>
        <translation>Zwei</translation>
    </message>
    <message>
        <source>Second monitor profile</source>
        <translation>Zweiter Bildschirm</translation>
    </message>
    <message>
        <source>The same for the monitor that the second window, with the picture alone, stands on</source>
        <translation>Dasselbe für den Bildschirm, auf dem das zweite Fenster mit dem Bild allein steht</translation>
    </message>
    <message>
        <source>%1 in force</source>
        <translation>%1, das gilt</translation>
    </message>
    <message>
        <source>closed now</source>
        <translation>jetzt geschlossen</translation>
    </message>
</context>
<context>
    <name>baryton::PresetDetails</name>
    <message>
        <source>on</source>
        <translation>ein</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Preset name</source>
        <translation>Name der Vorgabe</translation>
    </message>
    <message>
        <source>Write another name and press Enter to rename it</source>
        <translation>Einen anderen Namen schreiben und Eingabe drücken benennt um</translation>
    </message>
    <message>
        <source>Favourite</source>
        <translation>Favorit</translation>
    </message>
    <message>
        <source>Favourites have a group of their own, here and on the shelf</source>
        <translation>Favoriten haben eine eigene Gruppe, hier und im Regal</translation>
    </message>
    <message>
        <source>When to use it</source>
        <translation>Wofür sie gut ist</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>Author</source>
        <translation>Autor</translation>
    </message>
    <message>
        <source>Key of the preset</source>
        <translation>Taste der Vorgabe</translation>
    </message>
    <message>
        <source>A key that puts the preset on the picture in Grade. Delete takes it away</source>
        <translation>Eine Taste, die in Gestalten die Vorgabe auf das Bild legt. Entf nimmt sie weg</translation>
    </message>
    <message>
        <source>WHAT IT CARRIES</source>
        <translation>WAS SIE MITNIMMT</translation>
    </message>
    <message>
        <source>Double-click a value to change it; Delete drops what is chosen</source>
        <translation>Doppelklick auf einen Wert ändert ihn; Entf lässt das Gewählte fallen</translation>
    </message>
    <message>
        <source>How</source>
        <translation>Wie</translation>
    </message>
    <message>
        <source>Set values</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Add above</source>
        <translation>Darüber</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>How it is applied</source>
        <translation>Wie sie angewandt wird</translation>
    </message>
    <message>
        <source>Sets just what it carries in the layers that are there; the rest stays</source>
        <translation>Setzt nur, was sie mitnimmt, in den vorhandenen Ebenen; der Rest bleibt</translation>
    </message>
    <message>
        <source>Puts its layers above what is there, under the preset&apos;s name</source>
        <translation>Legt ihre Ebenen über das Vorhandene, unter dem Namen der Vorgabe</translation>
    </message>
    <message>
        <source>The Look becomes the preset&apos;s; Finish too where it carries one</source>
        <translation>Der Look wird der der Vorgabe; auch der Abschluss, wenn sie einen mitnimmt</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>How far the preset goes: 100 as it was saved</source>
        <translation>Wie weit die Vorgabe geht: 100 wie gesichert</translation>
    </message>
    <message>
        <source>Apply</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>Save over</source>
        <translation>Überschreiben</translation>
    </message>
    <message>
        <source>What the preset carries stays; its values become those that the key picture has now. Undo brings the old ones back</source>
        <translation>Was die Vorgabe mitnimmt, bleibt; ihre Werte werden die, die das Schlüsselbild jetzt hat. Rückgängig holt die alten zurück</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Deletes the preset&apos;s file; undo brings it back</source>
        <translation>Löscht die Datei der Vorgabe; Rückgängig holt sie zurück</translation>
    </message>
    <message>
        <source>AS A LUT</source>
        <translation>ALS LUT</translation>
    </message>
    <message>
        <source>Own key</source>
        <translation>Eigene Taste</translation>
    </message>
    <message>
        <source>Applied, it %1.</source>
        <translation>Angewandt: sie %1.</translation>
    </message>
    <message>
        <source>Apply to these %1</source>
        <translation>Auf diese %1 anwenden</translation>
    </message>
    <message>
        <source>Apply to key picture</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>Deleted: %1. Undo brings it back.</source>
        <translation>Gelöscht: %1. Rückgängig holt es zurück.</translation>
    </message>
    <message>
        <source>The preset has these values already</source>
        <translation>Die Vorgabe hat diese Werte schon</translation>
    </message>
    <message>
        <source>Save over %1</source>
        <translation>%1 überschreiben</translation>
    </message>
    <message>
        <source>%1: %2 taken over</source>
        <translation>%1: %2 übernommen</translation>
    </message>
    <message>
        <source>value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>values</source>
        <translation>Werte</translation>
    </message>
    <message>
        <source>Words about %1</source>
        <translation>Worte über %1</translation>
    </message>
    <message>
        <source>%1 is the key of: %2. Choose another one.</source>
        <translation>%1 ist die Taste für: %2. Bitte eine andere wählen.</translation>
    </message>
    <message>
        <source>%1 is the key of the preset %2. Choose another one.</source>
        <translation>%1 ist die Taste der Vorgabe %2. Bitte eine andere wählen.</translation>
    </message>
    <message>
        <source>“%1” is no value for it</source>
        <translation>„%1“ ist dafür kein Wert</translation>
    </message>
    <message>
        <source>Change %1</source>
        <translation>%1 ändern</translation>
    </message>
    <message>
        <source>A preset carries at least one value; delete the preset instead</source>
        <translation>Eine Vorgabe nimmt mindestens einen Wert mit; stattdessen die Vorgabe löschen</translation>
    </message>
    <message>
        <source>Drop %1 from %2</source>
        <translation>%1 aus %2 nehmen</translation>
    </message>
    <message>
        <source>entry</source>
        <translation>Eintrag</translation>
    </message>
    <message>
        <source>entries</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <source>%1 dropped. Undo brings it back.</source>
        <translation>%1 weggenommen. Rückgängig holt es zurück.</translation>
    </message>
    <message>
        <source>Turn into stages…</source>
        <translation>In Stufen auflösen…</translation>
    </message>
    <message>
        <source>Seeks stages that do what it does, and that you can change</source>
        <translation>Sucht Stufen, die tun, was sie tut, und die sich ändern lassen</translation>
    </message>
    <message>
        <source>See it…</source>
        <translation>Ansehen…</translation>
    </message>
    <message>
        <source>All colours before and after: in a cube that turns, and as a slice of one lightness</source>
        <translation>Alle Farben vorher und nachher: in einem Würfel, der sich dreht, und als Schnitt einer Helligkeit</translation>
    </message>
    <message>
        <source>WHAT IT DOES</source>
        <translation>WAS SIE TUT</translation>
    </message>
    <message>
        <source>%1 added to the group %2</source>
        <translation>%1 liegt jetzt in der Gruppe %2</translation>
    </message>
</context>
<context>
    <name>baryton::PresetLibrary</name>
    <message>
        <source>New pictures are to start from %1, but it is not in the library. They start neutral.</source>
        <translation>Neue Bilder sollen mit %1 beginnen, aber es ist nicht in der Bibliothek. Sie beginnen neutral.</translation>
    </message>
</context>
<context>
    <name>baryton::PresetTileDelegate</name>
    <message>
        <source>Being read…</source>
        <translation>Wird gelesen…</translation>
    </message>
    <message>
        <source>can&apos;t be read</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <source>partly in LUTs</source>
        <translation>teils in LUTs</translation>
    </message>
</context>
<context>
    <name>baryton::PresetTileModel</name>
    <message>
        <source>Being read…</source>
        <translation>Wird gelesen…</translation>
    </message>
    <message>
        <source>Applied, it %1.</source>
        <translation>Angewandt: sie %1.</translation>
    </message>
</context>
<context>
    <name>baryton::PrimariesEditor</name>
    <message>
        <source>Drag a corner: round white turns its colours, outward and inward makes them stronger and quieter</source>
        <translation>Eine Ecke ziehen: um Weiß herum dreht ihre Farben, nach außen und innen macht sie kräftiger und stiller</translation>
    </message>
</context>
<context>
    <name>baryton::ProblemLine</name>
    <message>
        <source>%1 problems</source>
        <translation>%1 Probleme</translation>
    </message>
    <message>
        <source>What went wrong, whole, and how to mend it</source>
        <translation>Was schiefging, ganz, und wie es zu beheben ist</translation>
    </message>
    <message>
        <source>1 problem</source>
        <translation>1 Problem</translation>
    </message>
    <message>
        <source>What went wrong</source>
        <translation>Was schiefging</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
</context>
<context>
    <name>baryton::ProfileConversion::Lcms</name>
    <message>
        <source>save the picture again with a profile that fits it</source>
        <translation>das Bild mit einem passenden Profil noch einmal sichern</translation>
    </message>
    <message>
        <source>save the picture again with another profile</source>
        <translation>das Bild mit einem anderen Profil noch einmal sichern</translation>
    </message>
    <message>
        <source>its colour profile is for another kind of picture ({} channels here)</source>
        <translation>sein Farbprofil ist für eine andere Art Bild (hier {} Kanäle)</translation>
    </message>
    <message>
        <source>its colour profile can&apos;t be used to read a picture</source>
        <translation>mit seinem Farbprofil lässt sich kein Bild lesen</translation>
    </message>
</context>
<context>
    <name>baryton::ProofSheet</name>
    <message>
        <source>Soft proof</source>
        <translation>Druckansicht</translation>
    </message>
    <message>
        <source>The picture as this device will print or show it, as far as this screen can show that.</source>
        <translation>Das Bild, wie dieses Gerät es drucken oder zeigen wird, soweit dieser Bildschirm das zeigen kann.</translation>
    </message>
    <message>
        <source>Profile</source>
        <translation>Profil</translation>
    </message>
    <message>
        <source>Perceptual</source>
        <translation>Perzeptiv</translation>
    </message>
    <message>
        <source>Relative</source>
        <translation>Relativ</translation>
    </message>
    <message>
        <source>Saturation</source>
        <translation>Sättigung</translation>
    </message>
    <message>
        <source>Absolute</source>
        <translation>Absolut</translation>
    </message>
    <message>
        <source>Intent</source>
        <translation>Wiedergabe</translation>
    </message>
    <message>
        <source>How colours that the device has not are brought in: as in the files that are made for it</source>
        <translation>Wie Farben hereingeholt werden, die das Gerät nicht hat: wie in den Dateien, die dafür gemacht werden</translation>
    </message>
    <message>
        <source>Black point compensation</source>
        <translation>Tiefenkompensierung</translation>
    </message>
    <message>
        <source>The picture&apos;s black becomes the device&apos;s own</source>
        <translation>Das Schwarz des Bildes wird das des Geräts</translation>
    </message>
    <message>
        <source>Paper white</source>
        <translation>Papierweiß</translation>
    </message>
    <message>
        <source>White as the paper is, black as the ink is: look at it for a while, without white beside it</source>
        <translation>Weiß, wie das Papier ist, Schwarz, wie die Tinte ist: eine Weile ansehen, ohne Weiß daneben</translation>
    </message>
    <message>
        <source>Mark what lies outside</source>
        <translation>Markieren, was außerhalb liegt</translation>
    </message>
    <message>
        <source>Stripes over colours that the device has not, by more than ΔE 2</source>
        <translation>Streifen über Farben, die das Gerät nicht hat, um mehr als ΔE 2</translation>
    </message>
    <message>
        <source>ICC file…</source>
        <translation>ICC-Datei…</translation>
    </message>
    <message>
        <source>The device&apos;s profile</source>
        <translation>Das Profil des Geräts</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
    <message>
        <source>All files (*)</source>
        <translation>Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>baryton::PushTableEditor</name>
    <message>
        <source>cyan–
red</source>
        <translation>Cyan–
Rot</translation>
    </message>
    <message>
        <source>magenta–
green</source>
        <translation>Magenta–
Grün</translation>
    </message>
    <message>
        <source>yellow–
blue</source>
        <translation>Gelb–
Blau</translation>
    </message>
    <message>
        <source>density</source>
        <translation>Dichte</translation>
    </message>
    <message>
        <source>ROW %1</source>
        <translation>ZEILE %1</translation>
    </message>
    <message>
        <source>Tones from</source>
        <translation>Töne ab</translation>
    </message>
    <message>
        <source>Tones to</source>
        <translation>Töne bis</translation>
    </message>
    <message>
        <source>Softness</source>
        <translation>Weichheit</translation>
    </message>
    <message>
        <source>Hue</source>
        <translation>Farbton</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Feather</source>
        <translation>Auslauf</translation>
    </message>
    <message>
        <source>hue %1°</source>
        <translation>Farbton %1°</translation>
    </message>
    <message>
        <source>tones %1–%2</source>
        <translation>Töne %1–%2</translation>
    </message>
    <message>
        <source>%1 % of the picture lies in this row</source>
        <translation>%1 % des Bildes liegen in dieser Zeile</translation>
    </message>
    <message>
        <source>free</source>
        <translation>frei</translation>
    </message>
</context>
<context>
    <name>baryton::RawEditor</name>
    <message>
        <source>Pick a neutral…</source>
        <translation>Neutralen Punkt wählen…</translation>
    </message>
    <message>
        <source>Press on something in the picture that should be grey or white</source>
        <translation>Im Bild auf etwas drücken, das grau oder weiß sein soll</translation>
    </message>
    <message>
        <source>Press on something that should be grey</source>
        <translation>Auf etwas drücken, das grau sein soll</translation>
    </message>
    <message>
        <source>%1
As shot: %2 K, tint %3</source>
        <translation>%1
Wie aufgenommen: %2 K, Tönung %3</translation>
    </message>
    <message>
        <source>The file is being read.</source>
        <translation>Die Datei wird gelesen.</translation>
    </message>
    <message>
        <source>This picture is no raw file: nothing here changes it.</source>
        <translation>Dieses Bild ist keine Rohdatei: Nichts hier ändert es.</translation>
    </message>
</context>
<context>
    <name>baryton::Read</name>
    <message>
        <source>cannot decode: {}</source>
        <translation>nicht zu dekodieren: {}</translation>
    </message>
    <message>
        <source>the file is damaged or ends early: copy it again from the camera or a backup</source>
        <translation>die Datei ist beschädigt oder endet zu früh: noch einmal von der Kamera oder aus einer Sicherung kopieren</translation>
    </message>
</context>
<context>
    <name>baryton::SampleList</name>
    <message>
        <source>Samples</source>
        <translation>Messpunkte</translation>
    </message>
    <message>
        <source>Remove all sample points</source>
        <translation>Alle Messpunkte entfernen</translation>
    </message>
</context>
<context>
    <name>baryton::SavePresetSheet</name>
    <message>
        <source>Cover: this picture</source>
        <translation>Titelbild: dieses Bild</translation>
    </message>
    <message>
        <source>Keep both</source>
        <translation>Beide behalten</translation>
    </message>
    <message>
        <source>Just one…</source>
        <translation>Nur eines…</translation>
    </message>
    <message>
        <source>Save preset</source>
        <translation>Vorgabe sichern</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Preset name</source>
        <translation>Name der Vorgabe</translation>
    </message>
    <message>
        <source>in group</source>
        <translation>in Gruppe</translation>
    </message>
    <message>
        <source>Group</source>
        <translation>Gruppe</translation>
    </message>
    <message>
        <source>My presets</source>
        <translation>Meine Vorgaben</translation>
    </message>
    <message>
        <source>When to use it (optional)</source>
        <translation>Wofür sie gut ist (freiwillig)</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>Author (optional)</source>
        <translation>Autor (freiwillig)</translation>
    </message>
    <message>
        <source>Author</source>
        <translation>Autor</translation>
    </message>
    <message>
        <source>A small version of the picture as it is graded goes into the preset, and shows it where no picture is open and when it is shared</source>
        <translation>Eine kleine Fassung des Bildes, wie es gestaltet ist, kommt in die Vorgabe und zeigt sie, wo kein Bild offen ist und wenn sie weitergegeben wird</translation>
    </message>
    <message>
        <source>WHAT IT CARRIES</source>
        <translation>WAS SIE MITNIMMT</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>Ticks everything, Prep too</source>
        <translation>Hakt alles an, auch die Vorbereitung</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>Takes every tick away</source>
        <translation>Nimmt jedes Häkchen weg</translation>
    </message>
    <message>
        <source>Only changed</source>
        <translation>Nur Geändertes</translation>
    </message>
    <message>
        <source>Ticks what was changed in Look and Finish</source>
        <translation>Hakt an, was in Look und Abschluss geändert wurde</translation>
    </message>
    <message>
        <source>Ticks what was changed in one layer or one stage, and nothing else</source>
        <translation>Hakt an, was in einer Ebene oder einer Stufe geändert wurde, und sonst nichts</translation>
    </message>
    <message>
        <source>The one that is there stays; this one gets a number behind its name</source>
        <translation>Die vorhandene bleibt; diese bekommt eine Zahl hinter ihren Namen</translation>
    </message>
    <message>
        <source>Layer %1</source>
        <translation>Ebene %1</translation>
    </message>
    <message>
        <source>Applied to a picture it %1.</source>
        <translation>Auf ein Bild angewandt: sie %1.</translation>
    </message>
    <message>
        <source>Nothing is ticked: tick what the preset is to carry.</source>
        <translation>Nichts ist angehakt: anhaken, was die Vorgabe mitnehmen soll.</translation>
    </message>
    <message>
        <source> It replaces the one of this name in the group; undo brings that back.</source>
        <translation> Sie ersetzt die dieses Namens in der Gruppe; Rückgängig holt jene zurück.</translation>
    </message>
    <message>
        <source>Replace preset</source>
        <translation>Vorgabe ersetzen</translation>
    </message>
    <message>
        <source>Write a name first</source>
        <translation>Erst einen Namen schreiben</translation>
    </message>
    <message>
        <source>Preset saved: %1 in %2, on the shelf and in Package (%3)</source>
        <translation>Vorgabe gesichert: %1 in %2, im Regal und unter Packen (%3)</translation>
    </message>
    <message>
        <source>Save a preset</source>
        <translation>Eine Vorgabe sichern</translation>
    </message>
</context>
<context>
    <name>baryton::ScopePanel</name>
    <message>
        <source>Histogram</source>
        <translation>Histogramm</translation>
    </message>
    <message>
        <source>Parade</source>
        <translation>Parade</translation>
    </message>
    <message>
        <source>Clip marks</source>
        <translation>Beschnittmarken</translation>
    </message>
    <message>
        <source>Paints what lies at an end of a channel in the colour of that channel; stripes where all do (C)</source>
        <translation>Malt, was am Ende eines Kanals liegt, in der Farbe dieses Kanals; Streifen, wo alle am Ende sind (C)</translation>
    </message>
    <message>
        <source>Larger scope</source>
        <translation>Größeres Messbild</translation>
    </message>
    <message>
        <source>Makes the scope higher, and smaller again</source>
        <translation>Macht das Messbild höher, und wieder kleiner</translation>
    </message>
    <message>
        <source>Fold the scope</source>
        <translation>Messbild einklappen</translation>
    </message>
    <message>
        <source>Waveform</source>
        <translation>Wellenform</translation>
    </message>
    <message>
        <source>Vectorscope</source>
        <translation>Vektorskop</translation>
    </message>
    <message>
        <source>How light each column of the picture is</source>
        <translation>Wie hell jede Spalte des Bildes ist</translation>
    </message>
    <message>
        <source>The waveforms of red, green and blue side by side</source>
        <translation>Die Wellenformen von Rot, Grün und Blau nebeneinander</translation>
    </message>
    <message>
        <source>Where the colours lie, with the line of skin</source>
        <translation>Wo die Farben liegen, mit der Hautlinie</translation>
    </message>
    <message>
        <source>Gives the scope&apos;s room to the editor, and back</source>
        <translation>Gibt den Platz der Anzeige dem Editor und zurück</translation>
    </message>
</context>
<context>
    <name>baryton::ScopeView</name>
    <message>
        <source>Waveform</source>
        <translation>Wellenform</translation>
    </message>
    <message>
        <source>Parade</source>
        <translation>Parade</translation>
    </message>
    <message>
        <source>Vectorscope</source>
        <translation>Vektorskop</translation>
    </message>
    <message>
        <source>hue %1°  %2 %</source>
        <translation>Farbton %1°  %2 %</translation>
    </message>
    <message>
        <source>%1  (%2 %)</source>
        <translation>%1  (%2 %)</translation>
    </message>
    <message>
        <source>%1: red %2, green %3, blue %4</source>
        <translation>%1: Rot %2, Grün %3, Blau %4</translation>
    </message>
    <message>
        <source>pointer</source>
        <translation>Zeiger</translation>
    </message>
</context>
<context>
    <name>baryton::ScreenFit</name>
    <message>
        <source>the monitor&apos;s profile</source>
        <translation>das Profil des Bildschirms</translation>
    </message>
</context>
<context>
    <name>baryton::Segments</name>
    <message>
        <source>changed</source>
        <translation>geändert</translation>
    </message>
</context>
<context>
    <name>baryton::Sheet</name>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
</context>
<context>
    <name>baryton::Shelf</name>
    <message>
        <source> · can&apos;t be read</source>
        <translation> · nicht lesbar</translation>
    </message>
    <message>
        <source>Set</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Add above</source>
        <translation>Darüber</translation>
    </message>
    <message>
        <source>Replace</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Close the shelf</source>
        <translation>Das Regal schließen</translation>
    </message>
    <message>
        <source>Back to the tray</source>
        <translation>Zurück zur Ablage</translation>
    </message>
    <message>
        <source>Search presets</source>
        <translation>Vorgaben suchen</translation>
    </message>
    <message>
        <source>How a preset is applied</source>
        <translation>Wie eine Vorgabe angewandt wird</translation>
    </message>
    <message>
        <source>Sets just what the preset carries, the rest stays</source>
        <translation>Setzt nur, was die Vorgabe mitnimmt, der Rest bleibt</translation>
    </message>
    <message>
        <source>Puts the preset&apos;s layers above what is there</source>
        <translation>Legt die Ebenen der Vorgabe über das Vorhandene</translation>
    </message>
    <message>
        <source>The Look becomes the preset&apos;s</source>
        <translation>Der Look wird der der Vorgabe</translation>
    </message>
    <message>
        <source>How far the next preset goes: 100 as it was saved</source>
        <translation>Wie weit die nächste Vorgabe geht: 100 wie gesichert</translation>
    </message>
    <message>
        <source>Presets</source>
        <translation>Vorgaben</translation>
    </message>
    <message>
        <source>Favourites</source>
        <translation>Favoriten</translation>
    </message>
    <message>
        <source>Click the preset that takes the place of %1</source>
        <translation>Die Vorgabe anklicken, die den Platz von %1 einnimmt</translation>
    </message>
    <message>
        <source>Point to see, click to try, Ctrl+click for one more; Enter keeps it</source>
        <translation>Zeigen zum Sehen, Klick probiert, Strg+Klick für noch eine; Eingabe behält</translation>
    </message>
    <message>
        <source>No longer a favourite</source>
        <translation>Kein Favorit mehr</translation>
    </message>
    <message>
        <source>Favourite</source>
        <translation>Favorit</translation>
    </message>
    <message>
        <source>%1 (%2) %3</source>
        <translation>%1 (%2) %3</translation>
    </message>
    <message>
        <source>Used last</source>
        <translation>Zuletzt benutzt</translation>
    </message>
    <message>
        <source>No preset has these words in its name, its group, its notes or its stages. Try fewer of them.</source>
        <translation>Keine Vorgabe hat diese Wörter in Namen, Gruppe, Notizen oder Stufen. Versuchen Sie weniger davon.</translation>
    </message>
    <message numerus="yes">
        <source>%n presets, open</source>
        <translation>
            <numerusform>%n Vorgabe, offen</numerusform>
            <numerusform>%n Vorgaben, offen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n presets, folded</source>
        <translation>
            <numerusform>%n Vorgabe, gefaltet</numerusform>
            <numerusform>%n Vorgaben, gefaltet</numerusform>
        </translation>
    </message>
    <message>
        <source>Being read</source>
        <translation>Wird gelesen</translation>
    </message>
    <message>
        <source>chosen; %1</source>
        <translation>gewählt; %1</translation>
    </message>
    <message>
        <source>No presets yet. Grade a picture and press Save preset…, or bring some in: File, Import presets and LUTs…</source>
        <translation>Noch keine Vorgaben. Bearbeiten Sie ein Bild und drücken Sie Vorgabe sichern…, oder lesen Sie welche ein: Datei, Vorgaben und LUTs einlesen…</translation>
    </message>
    <message>
        <source>Survey the set with it</source>
        <translation>Die Serie damit durchsehen</translation>
    </message>
</context>
<context>
    <name>baryton::SizePlot</name>
    <message>
        <source>near enough: %1</source>
        <translation>nah genug: %1</translation>
    </message>
    <message>
        <source>%1; near enough: %2</source>
        <translation>%1; nah genug: %2</translation>
    </message>
    <message>
        <source>ΔE %1</source>
        <translation>ΔE %1</translation>
    </message>
</context>
<context>
    <name>baryton::SliceView</name>
    <message>
        <source>skin</source>
        <translation>Haut</translation>
    </message>
    <message>
        <source>%1 colours of one lightness, ΔE %2 on average</source>
        <translation>%1 Farben einer Helligkeit, im Mittel ΔE %2</translation>
    </message>
</context>
<context>
    <name>baryton::SpacesRow</name>
    <message>
        <source>Reads</source>
        <translation>Liest</translation>
    </message>
    <message>
        <source>Writes</source>
        <translation>Schreibt</translation>
    </message>
    <message>
        <source>The space of the numbers that the LUT will be given, where it is worn</source>
        <translation>Der Raum der Zahlen, die die LUT dort bekommt, wo sie getragen wird</translation>
    </message>
    <message>
        <source>The space of the numbers that it gives there</source>
        <translation>Der Raum der Zahlen, die sie dort gibt</translation>
    </message>
</context>
<context>
    <name>baryton::SplitToneEditor</name>
    <message>
        <source>Shadows</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>Highlights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>Colours of shadows and highlights</source>
        <translation>Farben von Schatten und Lichtern</translation>
    </message>
    <message>
        <source>Pull a handle, or from anywhere the chosen one, toward a colour: the dark one for the shadows, the light one for the highlights. Crosses mark what lies opposite.</source>
        <translation>Einen Griff, oder von überall den gewählten, zu einer Farbe ziehen: den dunklen für die Schatten, den hellen für die Lichter. Kreuze zeigen, was gegenüber liegt.</translation>
    </message>
    <message>
        <source>Give the other the opposite</source>
        <translation>Dem anderen die Gegenfarbe</translation>
    </message>
    <message>
        <source>Gives the other range the hue that lies opposite the chosen one, at the same amount</source>
        <translation>Gibt dem anderen Bereich den Farbton gegenüber dem gewählten, in gleicher Menge</translation>
    </message>
</context>
<context>
    <name>baryton::StageCard</name>
    <message>
        <source>unknown</source>
        <translation>unbekannt</translation>
    </message>
    <message>
        <source>not in LUTs</source>
        <translation>nicht in LUTs</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>on</source>
        <translation>ein</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
</context>
<context>
    <name>baryton::StageEditor</name>
    <message>
        <source>Press on the colour whose hue is wanted</source>
        <translation>Auf die Farbe drücken, deren Farbton gewünscht ist</translation>
    </message>
    <message>
        <source>WHERE IT ACTS</source>
        <translation>WO ES WIRKT</translation>
    </message>
</context>
<context>
    <name>baryton::StagesSheet</name>
    <message>
        <source>As stages</source>
        <translation>Als Stufen</translation>
    </message>
    <message>
        <source>The picture with the LUT</source>
        <translation>Das Bild mit der LUT</translation>
    </message>
    <message>
        <source>The picture with the stages</source>
        <translation>Das Bild mit den Stufen</translation>
    </message>
    <message>
        <source>That is near enough</source>
        <translation>Das ist nah genug</translation>
    </message>
    <message>
        <source>Keep as a preset</source>
        <translation>Als Vorgabe behalten</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Weggelassen</translation>
    </message>
    <message>
        <source>Behind them as a LUT</source>
        <translation>Dahinter als LUT</translation>
    </message>
    <message>
        <source>Learned</source>
        <translation>Gelernt</translation>
    </message>
    <message>
        <source>What “%1” does, in stages that you can change.</source>
        <translation>Was „%1“ tut, in Stufen, die sich ändern lassen.</translation>
    </message>
    <message>
        <source>Ends the search with the stages that it has</source>
        <translation>Beendet die Suche mit den Stufen, die sie hat</translation>
    </message>
    <message>
        <source>With the LUT</source>
        <translation>Mit der LUT</translation>
    </message>
    <message>
        <source>With the stages</source>
        <translation>Mit den Stufen</translation>
    </message>
    <message>
        <source>Put in place of the LUT</source>
        <translation>An die Stelle der LUT setzen</translation>
    </message>
    <message>
        <source>What they leave</source>
        <translation>Was sie übrig lassen</translation>
    </message>
    <message>
        <source>A LUT stage behind the others takes up what they leave: nearer, but no hand can change it</source>
        <translation>Eine LUT-Stufe hinter den anderen nimmt auf, was sie übrig lassen: näher, aber keine Hand kann sie ändern</translation>
    </message>
    <message>
        <source>Over all colours, ΔE</source>
        <translation>Über alle Farben, ΔE</translation>
    </message>
    <message>
        <source>On this picture, ΔE</source>
        <translation>Auf diesem Bild, ΔE</translation>
    </message>
    <message>
        <source>mean</source>
        <translation>Mittel</translation>
    </message>
    <message>
        <source>99 of 100</source>
        <translation>99 von 100</translation>
    </message>
    <message>
        <source>worst</source>
        <translation>schlimmst</translation>
    </message>
    <message>
        <source>Stages alone</source>
        <translation>Stufen allein</translation>
    </message>
    <message>
        <source>With the rest</source>
        <translation>Mit dem Rest</translation>
    </message>
    <message>
        <source>Being sought…</source>
        <translation>Wird gesucht…</translation>
    </message>
    <message>
        <source>Being sought: so far ΔE %1 in the mean</source>
        <translation>Wird gesucht: bisher ΔE %1 im Mittel</translation>
    </message>
    <message>
        <source>A LUT behind them would come no nearer.</source>
        <translation>Eine LUT dahinter käme nicht näher.</translation>
    </message>
    <message>
        <source>It does nothing that a stage would have to do.</source>
        <translation>Sie tut nichts, was eine Stufe tun müsste.</translation>
    </message>
    <message>
        <source>stage comes near it.</source>
        <translation>Stufe kommt ihr nahe.</translation>
    </message>
    <message>
        <source>stages come near it.</source>
        <translation>Stufen kommen ihr nahe.</translation>
    </message>
    <message>
        <source>A LUT of unknown making</source>
        <translation>Eine LUT unbekannter Herkunft</translation>
    </message>
</context>
<context>
    <name>baryton::StartSheet</name>
    <message>
        <source>Start of new pictures</source>
        <translation>Anfang neuer Bilder</translation>
    </message>
    <message>
        <source>Pictures that have no grade yet start from this. It is listed as in force on them and can be taken off; pictures that have a grade are left alone.</source>
        <translation>Bilder ohne Gestaltung beginnen mit dieser. Sie steht bei ihnen als in Kraft und lässt sich abnehmen; Bilder mit Gestaltung bleiben unberührt.</translation>
    </message>
    <message>
        <source>Every picture</source>
        <translation>Jedes Bild</translation>
    </message>
    <message>
        <source>Start of every picture</source>
        <translation>Anfang jedes Bildes</translation>
    </message>
    <message>
        <source>Another start for a camera or file type</source>
        <translation>Ein anderer Anfang für eine Kamera oder Dateiart</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>neutral</source>
        <translation>neutral</translation>
    </message>
    <message>
        <source>%1 (missing)</source>
        <translation>%1 (fehlt)</translation>
    </message>
    <message>
        <source>Camera</source>
        <translation>Kamera</translation>
    </message>
    <message>
        <source>File type</source>
        <translation>Dateiart</translation>
    </message>
    <message>
        <source>Camera or file type</source>
        <translation>Kamera oder Dateiart</translation>
    </message>
    <message>
        <source>model, or jpg, tif…</source>
        <translation>Modell, oder jpg, tif…</translation>
    </message>
    <message>
        <source>Which</source>
        <translation>Welche</translation>
    </message>
    <message>
        <source>Its start</source>
        <translation>Ihr Anfang</translation>
    </message>
    <message>
        <source>Take this line away</source>
        <translation>Diese Zeile wegnehmen</translation>
    </message>
</context>
<context>
    <name>baryton::StepsPanel</name>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Save these as a preset…</source>
        <translation>Diese als Vorgabe sichern…</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Fassungen</translation>
    </message>
    <message>
        <source>Close takes and steps</source>
        <translation>Fassungen und Schritte schließen</translation>
    </message>
    <message>
        <source>Back to the tray</source>
        <translation>Zurück zur Ablage</translation>
    </message>
    <message>
        <source>Keep take</source>
        <translation>Fassung behalten</translation>
    </message>
    <message>
        <source>Steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>Double click goes back to a step; before = step by right click</source>
        <translation>Doppelklick geht zu einem Schritt zurück; Rechtsklick: vorher = Schritt</translation>
    </message>
    <message>
        <source>Makes a preset that does the chosen steps again, and nothing else</source>
        <translation>Macht eine Vorgabe, die die gewählten Schritte wieder tut, und sonst nichts</translation>
    </message>
    <message>
        <source>Delete a take</source>
        <translation>Eine Fassung löschen</translation>
    </message>
    <message>
        <source>Rename a take</source>
        <translation>Eine Fassung umbenennen</translation>
    </message>
    <message>
        <source>Back to “%1”</source>
        <translation>Zurück zu „%1“</translation>
    </message>
    <message>
        <source>Go back to this step</source>
        <translation>Zu diesem Schritt zurück</translation>
    </message>
    <message>
        <source>Compare with this step</source>
        <translation>Mit diesem Schritt vergleichen</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Compare with this take</source>
        <translation>Mit dieser Fassung vergleichen</translation>
    </message>
    <message>
        <source>What is done to this picture will stand here, the last step first.</source>
        <translation>Was an diesem Bild geschieht, wird hier stehen, der letzte Schritt zuerst.</translation>
    </message>
    <message>
        <source>Wipe two</source>
        <translation>Zwei wischen</translation>
    </message>
    <message>
        <source>Point to see a version, click to go on from it, Ctrl+click to choose two for the wipe</source>
        <translation>Zeigen, um eine Fassung zu sehen; klicken, um von ihr weiterzugehen; mit Strg zwei wählen, um sie zu wischen</translation>
    </message>
    <message>
        <source>Keeps the picture as it is now; what you do then goes on from there (Ctrl+T)</source>
        <translation>Behält das Bild, wie es jetzt ist; was dann folgt, geht von dort aus (Strg+T)</translation>
    </message>
    <message>
        <source>Deletes the takes that are chosen</source>
        <translation>Löscht die gewählten Fassungen</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Nebeneinander</translation>
    </message>
    <message>
        <source>All versions of this picture together</source>
        <translation>Alle Fassungen dieses Bildes zusammen</translation>
    </message>
    <message>
        <source>The two chosen versions on either side of a line; one chosen alone stands against what is in hand</source>
        <translation>Die zwei gewählten Fassungen auf beiden Seiten einer Linie; eine allein steht gegen das, was in Arbeit ist</translation>
    </message>
    <message>
        <source>in hand</source>
        <translation>in Arbeit</translation>
    </message>
    <message>
        <source>In hand
%1</source>
        <translation>In Arbeit
%1</translation>
    </message>
    <message>
        <source>Go on from this</source>
        <translation>Von hier weiter</translation>
    </message>
</context>
<context>
    <name>baryton::SurveyPage</name>
    <message>
        <source>Look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>Look to survey</source>
        <translation>Look der Durchsicht</translation>
    </message>
    <message>
        <source>Sort anew</source>
        <translation>Neu ordnen</translation>
    </message>
    <message>
        <source>The worst first again, as it is now: pictures that were changed stay where they are until then</source>
        <translation>Wieder das Schlimmste zuerst, wie es jetzt ist: geänderte Bilder bleiben bis dahin an ihrem Platz</translation>
    </message>
    <message>
        <source>Pictures with the look</source>
        <translation>Bilder mit dem Look</translation>
    </message>
    <message>
        <source>The picture with the look</source>
        <translation>Das Bild mit dem Look</translation>
    </message>
    <message>
        <source>WHAT IS WRONG</source>
        <translation>WAS NICHT STIMMT</translation>
    </message>
    <message>
        <source>ITS PREP</source>
        <translation>SEINE VORBEREITUNG</translation>
    </message>
    <message>
        <source>IN THE RUN</source>
        <translation>IM LAUF</translation>
    </message>
    <message>
        <source>As the others</source>
        <translation>Wie die anderen</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Ausgelassen</translation>
    </message>
    <message>
        <source>In the run</source>
        <translation>Im Lauf</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>How far this picture gets the look</source>
        <translation>Wie weit dieses Bild den Look bekommt</translation>
    </message>
    <message>
        <source>Look for this picture</source>
        <translation>Look für dieses Bild</translation>
    </message>
    <message>
        <source>Each picture&apos;s own grade</source>
        <translation>Der eigene Grade jedes Bildes</translation>
    </message>
    <message>
        <source>All pictures</source>
        <translation>Alle Bilder</translation>
    </message>
    <message>
        <source>Can&apos;t be read</source>
        <translation>Nicht lesbar</translation>
    </message>
    <message>
        <source>Nothing found</source>
        <translation>Nichts gefunden</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>looking…</source>
        <translation>sieht nach …</translation>
    </message>
    <message>
        <source>nothing found</source>
        <translation>nichts gefunden</translation>
    </message>
    <message>
        <source> · at %1 %</source>
        <translation> · mit %1 %</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Open pictures to survey them</source>
        <translation>Bilder öffnen, um sie durchzusehen</translation>
    </message>
    <message>
        <source>Looking: %1 of %2</source>
        <translation>Sieht nach: %1 von %2</translation>
    </message>
    <message>
        <source>Comparing…</source>
        <translation>Vergleicht …</translation>
    </message>
    <message numerus="yes">
        <source>None of %n pictures fails, against %1</source>
        <translation>
            <numerusform>%n Bild versagt nicht, verglichen mit %1</numerusform>
            <numerusform>Keines von %n Bildern versagt, verglichen mit %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 of %n pictures fail, against %2</source>
        <translation>
            <numerusform>%1 von %n Bild versagt, verglichen mit %2</numerusform>
            <numerusform>%1 von %n Bildern versagen, verglichen mit %2</numerusform>
        </translation>
    </message>
    <message>
        <source>Choose a picture</source>
        <translation>Ein Bild wählen</translation>
    </message>
    <message>
        <source>Nothing found. Open it in Grade</source>
        <translation>Nichts gefunden. In Gestalten öffnen</translation>
    </message>
    <message>
        <source>Opens the picture in Grade, with that stage chosen</source>
        <translation>Öffnet das Bild in Gestalten und wählt diese Stufe</translation>
    </message>
    <message>
        <source>Prep</source>
        <translation>Vorbereitung</translation>
    </message>
    <message>
        <source>Whether files are made with this look</source>
        <translation>Ob mit diesem Look Dateien gemacht werden</translation>
    </message>
</context>
<context>
    <name>baryton::ThumbnailDelegate</name>
    <message>
        <source>can&apos;t be read</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <source>graded</source>
        <translation>gestaltet</translation>
    </message>
    <message>
        <source>take</source>
        <translation>Fassung</translation>
    </message>
    <message>
        <source>takes</source>
        <translation>Fassungen</translation>
    </message>
</context>
<context>
    <name>baryton::ToneAxis</name>
    <message>
        <source>%1: level %2</source>
        <translation>%1: Pegel %2</translation>
    </message>
</context>
<context>
    <name>baryton::TrayPanel</name>
    <message>
        <source>Order and size of the tray</source>
        <translation>Ordnung und Größe der Ablage</translation>
    </message>
    <message>
        <source>Order, filter and size of the thumbnails</source>
        <translation>Reihenfolge, Filter und Größe der Vorschaubilder</translation>
    </message>
    <message>
        <source>Tray</source>
        <translation>Ablage</translation>
    </message>
    <message>
        <source>As opened</source>
        <translation>Wie geöffnet</translation>
    </message>
    <message>
        <source>By name</source>
        <translation>Nach Namen</translation>
    </message>
    <message>
        <source>Newest first</source>
        <translation>Neueste zuerst</translation>
    </message>
    <message>
        <source>Graded first</source>
        <translation>Gestaltete zuerst</translation>
    </message>
    <message>
        <source>All pictures</source>
        <translation>Alle Bilder</translation>
    </message>
    <message>
        <source>Graded only</source>
        <translation>Nur gestaltete</translation>
    </message>
    <message>
        <source>Not yet graded</source>
        <translation>Noch nicht gestaltete</translation>
    </message>
    <message>
        <source>Small thumbnails</source>
        <translation>Kleine Vorschaubilder</translation>
    </message>
    <message>
        <source>Middle thumbnails</source>
        <translation>Mittlere Vorschaubilder</translation>
    </message>
    <message>
        <source>Large thumbnails</source>
        <translation>Große Vorschaubilder</translation>
    </message>
    <message numerus="yes">
        <source>%n pictures</source>
        <translation>
            <numerusform>%n Bild</numerusform>
            <numerusform>%n Bilder</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::TriangleView</name>
    <message>
        <source>Primaries triangle</source>
        <translation>Dreieck der Primärfarben</translation>
    </message>
    <message>
        <source>held at the dashed lines to keep white</source>
        <translation>an den gestrichelten Linien gehalten, damit Weiß bleibt</translation>
    </message>
    <message>
        <source>red corner</source>
        <translation>rote Ecke</translation>
    </message>
    <message>
        <source>green corner</source>
        <translation>grüne Ecke</translation>
    </message>
    <message>
        <source>blue corner</source>
        <translation>blaue Ecke</translation>
    </message>
    <message>
        <source>%1: turn %2°, reach %3</source>
        <translation>%1: Drehung %2°, Reichweite %3</translation>
    </message>
</context>
<context>
    <name>baryton::TwoLooksSheet</name>
    <message>
        <source>ΔE mean %1 · 99 % %2 · worst %3</source>
        <translation>ΔE Mittel %1 · 99 % %2 · max. %3</translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation>%1 und %2</translation>
    </message>
    <message>
        <source>A LUT of unknown making</source>
        <translation>Eine LUT unbekannter Herkunft</translation>
    </message>
    <message>
        <source>On pictures</source>
        <translation>Auf Bildern</translation>
    </message>
    <message>
        <source>All colours</source>
        <translation>Alle Farben</translation>
    </message>
    <message>
        <source>One lightness</source>
        <translation>Eine Helligkeit</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>Both, and how far apart</source>
        <translation>Beide, und wie weit auseinander</translation>
    </message>
    <message>
        <source>How far apart</source>
        <translation>Wie weit auseinander</translation>
    </message>
    <message>
        <source>Being worked out…</source>
        <translation>Wird ausgerechnet…</translation>
    </message>
    <message>
        <source>How far apart: white is ΔE %1</source>
        <translation>Wie weit auseinander: Weiß ist ΔE %1</translation>
    </message>
    <message>
        <source>Over all colours: %1</source>
        <translation>Über alle Farben: %1</translation>
    </message>
    <message>
        <source>Not compared: %1 of %2, which is no function of colour alone</source>
        <translation>Nicht verglichen: %1 von %2, das nicht von der Farbe allein abhängt</translation>
    </message>
    <message>
        <source>Choose check pictures at the left of Package</source>
        <translation>Prüfbilder links in Packen wählen</translation>
    </message>
</context>
<context>
    <name>baryton::WatchSheet</name>
    <message>
        <source>Watched folder</source>
        <translation>Beobachteter Ordner</translation>
    </message>
    <message>
        <source>What arrives in %1 is made as it was set when the watching began, into %2. A file that is still being copied is left until it is whole. Closing this leaves the watching on.</source>
        <translation>Was in %1 ankommt, wird gemacht, wie es eingestellt war, als das Beobachten begann, nach %2. Eine Datei, die noch kopiert wird, bleibt liegen, bis sie ganz ist. Wird dies geschlossen, geht das Beobachten weiter.</translation>
    </message>
    <message>
        <source>Files made of what arrived</source>
        <translation>Aus dem Angekommenen erzeugte Dateien</translation>
    </message>
    <message>
        <source>Stop watching</source>
        <translation>Beobachten beenden</translation>
    </message>
    <message>
        <source>Nothing has arrived yet</source>
        <translation>Noch ist nichts angekommen</translation>
    </message>
    <message>
        <source>Plans</source>
        <translation>Pläne</translation>
    </message>
</context>
<context>
    <name>baryton::WelcomePage</name>
    <message>
        <source>A colour style made on one picture, kept, and put on whole sets</source>
        <translation>Ein Farbstil, an einem Bild entstanden, aufbewahrt und auf ganze Serien gelegt</translation>
    </message>
    <message>
        <source>Open folder…</source>
        <translation>Ordner öffnen…</translation>
    </message>
    <message>
        <source>Open pictures…</source>
        <translation>Bilder öffnen…</translation>
    </message>
    <message>
        <source>The demo set</source>
        <translation>Der Beispielsatz</translation>
    </message>
    <message>
        <source>Or drop a folder, pictures, presets or LUTs anywhere on the window.</source>
        <translation>Oder einen Ordner, Bilder, Vorgaben oder LUTs irgendwo auf dem Fenster ablegen.</translation>
    </message>
    <message>
        <source>OPENED LATELY</source>
        <translation>ZULETZT GEÖFFNET</translation>
    </message>
    <message>
        <source>Grade</source>
        <translation>Gestalten</translation>
    </message>
    <message>
        <source>What should this look like?</source>
        <translation>Wie soll das aussehen?</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Packen</translation>
    </message>
    <message>
        <source>How do I keep it?</source>
        <translation>Wie hebe ich es auf?</translation>
    </message>
    <message>
        <source>Batch</source>
        <translation>Stapel</translation>
    </message>
    <message>
        <source>How does the whole set get it?</source>
        <translation>Wie bekommt es die ganze Serie?</translation>
    </message>
    <message>
        <source>Opens its page of the guide</source>
        <translation>Öffnet ihre Seite der Anleitung</translation>
    </message>
    <message>
        <source>A copy of it: pictures of a travelling marionette theatre, some of them graded</source>
        <translation>Eine Kopie davon: Bilder eines reisenden Marionettentheaters, einige davon gestaltet</translation>
    </message>
    <message>
        <source>Nothing yet: what you open stands here the next time</source>
        <translation>Noch nichts: was Sie öffnen, steht das nächste Mal hier</translation>
    </message>
</context>
<context>
    <name>baryton::WheelsEditor</name>
    <message>
        <source>Shadows</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>Midtones</source>
        <translation>Mitteltöne</translation>
    </message>
    <message>
        <source>Highlights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>Whole</source>
        <translation>Ganzes</translation>
    </message>
    <message>
        <source>%1 hue</source>
        <translation>%1: Ton</translation>
    </message>
    <message>
        <source>Amount</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>Opposite to…</source>
        <translation>Gegenüber an…</translation>
    </message>
    <message>
        <source>Gives another range the hue that lies opposite, at the same amount</source>
        <translation>Gibt einem anderen Bereich den gegenüberliegenden Farbton, gleich stark</translation>
    </message>
    <message>
        <source>WHERE THE RANGES LIE</source>
        <translation>WO DIE BEREICHE LIEGEN</translation>
    </message>
    <message>
        <source>Colours of the tones</source>
        <translation>Farben der Tonwerte</translation>
    </message>
    <message>
        <source>Pull a handle, or from anywhere the chosen one, toward a colour: the colours of the picture go along. A double click brings it there; the middle pulls nothing.</source>
        <translation>Einen Griff, oder von überall den gewählten, zu einer Farbe ziehen: Die Farben des Bildes gehen mit. Ein Doppelklick bringt ihn dorthin; die Mitte zieht nichts.</translation>
    </message>
    <message>
        <source>Levels of the tones</source>
        <translation>Pegel der Tonwerte</translation>
    </message>
    <message>
        <source>Pull up for lighter and down for darker; the marks at the foot say where shadows end and highlights begin. A double click takes back.</source>
        <translation>Nach oben heller, nach unten dunkler; die Marken am Fuß sagen, wo Schatten enden und Lichter beginnen. Ein Doppelklick nimmt zurück.</translation>
    </message>
</context>
<context>
    <name>fs</name>
    <message>
        <source>the folder is not there</source>
        <translation>der Ordner ist nicht da</translation>
    </message>
    <message>
        <source>bring it back or open the pictures anew</source>
        <translation>ihn zurückholen oder die Bilder neu öffnen</translation>
    </message>
</context>
<context>
    <name>std</name>
    <message>
        <source>{} items</source>
        <translation>{} Stück</translation>
    </message>
    <message>
        <source>red</source>
        <translation>Rot</translation>
    </message>
    <message>
        <source>green</source>
        <translation>Grün</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>Blau</translation>
    </message>
    <message>
        <source>1 value</source>
        <translation>1 Wert</translation>
    </message>
    <message>
        <source>{} values</source>
        <translation>{} Werte</translation>
    </message>
    <message>
        <source>1 stage</source>
        <translation>1 Stufe</translation>
    </message>
    <message>
        <source>{} stages</source>
        <translation>{} Stufen</translation>
    </message>
    <message>
        <source>{} point {} to {}</source>
        <translation>{} Punkt {} auf {}</translation>
    </message>
    <message>
        <source>{} {} points</source>
        <translation>{} {} Punkte</translation>
    </message>
    <message>
        <source>{} curve</source>
        <translation>{} Kurve</translation>
    </message>
    <message>
        <source>{} point added at {}</source>
        <translation>{} Punkt bei {} eingefügt</translation>
    </message>
    <message>
        <source>{} point removed at {}</source>
        <translation>{} Punkt bei {} entfernt</translation>
    </message>
    <message>
        <source>sets {} in {}</source>
        <translation>setzt {} in {}</translation>
    </message>
    <message>
        <source>, leaves </source>
        <translation>, lässt </translation>
    </message>
    <message>
        <source> and </source>
        <translation> und </translation>
    </message>
    <message>
        <source>Add a stage</source>
        <translation>Eine Stufe hinzufügen</translation>
    </message>
    <message>
        <source>Delete a stage</source>
        <translation>Eine Stufe löschen</translation>
    </message>
    <message>
        <source>Move a stage</source>
        <translation>Eine Stufe bewegen</translation>
    </message>
    <message>
        <source>{} stages changed</source>
        <translation>{} Stufen geändert</translation>
    </message>
    <message>
        <source>Layer changed</source>
        <translation>Ebene geändert</translation>
    </message>
    <message>
        <source>{} on</source>
        <translation>{} ein</translation>
    </message>
    <message>
        <source>{} off</source>
        <translation>{} aus</translation>
    </message>
    <message>
        <source>{}: strength {:.0f}</source>
        <translation>{}: Stärke {:.0f}</translation>
    </message>
    <message>
        <source>straight</source>
        <translation>gerade</translation>
    </message>
    <message>
        <source>{} points</source>
        <translation>{} Punkte</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>on</source>
        <translation>ein</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>check the name, or whether the folder was moved</source>
        <translation>den Namen prüfen, oder ob der Ordner verschoben wurde</translation>
    </message>
    <message>
        <source>change the permissions, or choose another folder</source>
        <translation>die Rechte ändern oder einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>the disk is read-only: choose another folder</source>
        <translation>die Platte ist schreibgeschützt: einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>the disk is full: free some space or choose another folder</source>
        <translation>die Platte ist voll: Platz schaffen oder einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>the file would pass the size limit set on this system: choose another folder or a smaller size</source>
        <translation>die Datei würde die Größengrenze dieses Systems überschreiten: einen anderen Ordner oder eine kleinere Größe wählen</translation>
    </message>
    <message>
        <source>this is a folder: choose a file</source>
        <translation>das ist ein Ordner: eine Datei wählen</translation>
    </message>
    <message>
        <source>try again, or choose another folder</source>
        <translation>noch einmal versuchen oder einen anderen Ordner wählen</translation>
    </message>
    <message>
        <source>cannot read</source>
        <translation>nicht zu lesen</translation>
    </message>
    <message>
        <source>this can&apos;t be a file of this kind</source>
        <translation>das kann keine Datei dieser Art sein</translation>
    </message>
    <message>
        <source>the file is damaged: export it again where it was made</source>
        <translation>die Datei ist beschädigt: dort, wo sie entstand, noch einmal ausgeben</translation>
    </message>
    <message>
        <source>a .3dl file holds just one grid of 2…129 on 0…1</source>
        <translation>eine .3dl-Datei enthält nur ein Gitter von 2…129 auf 0…1</translation>
    </message>
    <message>
        <source>write a .cube file instead</source>
        <translation>stattdessen eine .cube-Datei schreiben</translation>
    </message>
    <message>
        <source>nothing was taken from it; ask whoever made it for another archive</source>
        <translation>nichts wurde daraus übernommen; wer es gemacht hat, kann ein anderes Archiv geben</translation>
    </message>
    <message>
        <source>cannot write the archive: {}</source>
        <translation>das Archiv ist nicht zu schreiben: {}</translation>
    </message>
    <message>
        <source>try again with fewer files</source>
        <translation>mit weniger Dateien noch einmal versuchen</translation>
    </message>
    <message>
        <source>it can&apos;t be read and does not go into a pack</source>
        <translation>es ist nicht zu lesen und kommt in kein Paket</translation>
    </message>
    <message>
        <source>Hold colours in</source>
        <translation>Farben fassen</translation>
    </message>
    <message>
        <source>Roll off the lights</source>
        <translation>Lichter auslaufen</translation>
    </message>
    <message>
        <source>Ease to {:.0f} %</source>
        <translation>Auf {:.0f} % zurück</translation>
    </message>
    <message>
        <source>Flatten it first</source>
        <translation>Erst abflachen</translation>
    </message>
    <message>
        <source>Move ahead of {}</source>
        <translation>Vor {} setzen</translation>
    </message>
    <message>
        <source>{} was not written by {} and stays</source>
        <translation>{} wurde nicht von {} geschrieben und bleibt</translation>
    </message>
    <message>
        <source>the further XMP</source>
        <translation>das weitere XMP</translation>
    </message>
    <message>
        <source>the file is larger than {}</source>
        <translation>die Datei ist größer als {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is missing</source>
        <translation>„{}“ fehlt</translation>
    </message>
    <message>
        <source>this is another kind of value than belongs here</source>
        <translation>das ist eine andere Art Wert, als hierher gehört</translation>
    </message>
    <message>
        <source>there are more than {} of them</source>
        <translation>es sind mehr als {}</translation>
    </message>
    <message>
        <source>there are fewer than {} of them</source>
        <translation>es sind weniger als {}</translation>
    </message>
    <message>
        <source>the text is longer than {} characters</source>
        <translation>der Text ist länger als {} Zeichen</translation>
    </message>
    <message>
        <source>the text is too short</source>
        <translation>der Text ist zu kurz</translation>
    </message>
    <message>
        <source>there is a field that does not belong here</source>
        <translation>hier steht ein Feld, das nicht hierher gehört</translation>
    </message>
    <message>
        <source>the value does not fit the format</source>
        <translation>der Wert passt nicht zum Format</translation>
    </message>
    <message>
        <source>an archive within the archive: import it by itself</source>
        <translation>ein Archiv im Archiv: für sich importieren</translation>
    </message>
    <message>
        <source>a picture: open it in Grade</source>
        <translation>ein Bild: unter Bearbeiten öffnen</translation>
    </message>
    <message>
        <source>something to read</source>
        <translation>etwas zum Lesen</translation>
    </message>
    <message>
        <source>the grade of a picture: it belongs beside its picture</source>
        <translation>die Bearbeitung eines Bildes: sie gehört neben ihr Bild</translation>
    </message>
    <message>
        <source>a number</source>
        <translation>eine Zahl</translation>
    </message>
    <message>
        <source>true or false</source>
        <translation>wahr oder falsch</translation>
    </message>
    <message>
        <source>a list of points [[x, y], …]</source>
        <translation>eine Liste von Punkten [[x, y], …]</translation>
    </message>
    <message>
        <source>one of the words that baryton-cli stages lists</source>
        <translation>eines der Wörter, die baryton-cli stages nennt</translation>
    </message>
    <message>
        <source>a LUT</source>
        <translation>eine LUT</translation>
    </message>
    <message>
        <source>there is not enough memory</source>
        <translation>der Arbeitsspeicher reicht nicht</translation>
    </message>
    <message>
        <source>use fewer workers, or a smaller long side</source>
        <translation>weniger Arbeiter oder eine kleinere lange Seite nehmen</translation>
    </message>
    <message>
        <source>try this picture alone</source>
        <translation>dieses Bild für sich versuchen</translation>
    </message>
    <message>
        <source>{} (the picture went without its own grade)</source>
        <translation>{} (das Bild blieb ohne seine eigene Bearbeitung)</translation>
    </message>
    <message>
        <source>nothing is known of the lens {}</source>
        <translation>über das Objektiv {} ist nichts bekannt</translation>
    </message>
    <message>
        <source>nothing is known of its lens, {}</source>
        <translation>über sein Objektiv {} ist nichts bekannt</translation>
    </message>
    <message>
        <source>the file does not say by which lens it was taken</source>
        <translation>die Datei sagt nicht, mit welchem Objektiv sie aufgenommen wurde</translation>
    </message>
    <message>
        <source>its distortion</source>
        <translation>seine Verzeichnung</translation>
    </message>
    <message>
        <source>its fringes</source>
        <translation>seine Säume</translation>
    </message>
    <message>
        <source>its shading</source>
        <translation>sein Randabfall</translation>
    </message>
    <message>
        <source>its shading (the file says no aperture)</source>
        <translation>sein Randabfall (die Datei nennt keine Blende)</translation>
    </message>
    <message>
        <source>of {} is not known: {}</source>
        <translation>von {} ist nicht bekannt: {}</translation>
    </message>
    <message>
        <source>a text</source>
        <translation>ein Text</translation>
    </message>
    <message>
        <source>a picture</source>
        <translation>ein Bild</translation>
    </message>
    <message>
        <source>{} shapes</source>
        <translation>{} Formen</translation>
    </message>
    <message>
        <source>a mask</source>
        <translation>eine Maske</translation>
    </message>
    <message>
        <source>one shape</source>
        <translation>eine Form</translation>
    </message>
    <message>
        <source>it came back in another profile ({}): its colours were taken to sRGB</source>
        <translation>es kam in einem anderen Profil zurück ({}): die Farben wurden nach sRGB gebracht</translation>
    </message>
    <message>
        <source>it is a JPEG: its losses are in the LUT; a PNG or TIFF of 16 bits is better</source>
        <translation>es ist ein JPEG: seine Verluste stecken in der LUT; PNG oder TIFF mit 16 Bit ist besser</translation>
    </message>
    <message>
        <source>the others of its run are matched to this one</source>
        <translation>die anderen seiner Folge werden ihm angeglichen</translation>
    </message>
    <message>
        <source>shows too little of what the others show: left as it was</source>
        <translation>zeigt zu wenig von dem, was die anderen zeigen: bleibt, wie es war</translation>
    </message>
    <message>
        <source>{:.2f} stops darker</source>
        <translation>{:.2f} Blenden dunkler</translation>
    </message>
    <message>
        <source>{:.2f} stops brighter</source>
        <translation>{:.2f} Blenden heller</translation>
    </message>
    <message>
        <source>{:.0f} mired warmer</source>
        <translation>{:.0f} Mired wärmer</translation>
    </message>
    <message>
        <source>{:.0f} mired cooler</source>
        <translation>{:.0f} Mired kühler</translation>
    </message>
    <message>
        <source>lay right</source>
        <translation>lag richtig</translation>
    </message>
    <message>
        <source>told by its tones on the whole</source>
        <translation>nach seinen Tönen im Ganzen</translation>
    </message>
    <message>
        <source>more than the limit: set as far as that</source>
        <translation>mehr als die Grenze: bis dorthin gesetzt</translation>
    </message>
    <message>
        <source>Clips</source>
        <translation>Beschneidet</translation>
    </message>
    <message>
        <source>Loses folds</source>
        <translation>Verliert Falten</translation>
    </message>
    <message>
        <source>May show bands</source>
        <translation>Kann Streifen zeigen</translation>
    </message>
    <message>
        <source>Skin leaves its place</source>
        <translation>Haut verlässt ihren Platz</translation>
    </message>
    <message>
        <source>A sampled colour leaves its place</source>
        <translation>Eine Messfarbe verlässt ihren Platz</translation>
    </message>
    <message>
        <source>Darker than the others</source>
        <translation>Dunkler als die anderen</translation>
    </message>
    <message>
        <source>Lighter than the others</source>
        <translation>Heller als die anderen</translation>
    </message>
    <message>
        <source>Warmer than the others</source>
        <translation>Wärmer als die anderen</translation>
    </message>
    <message>
        <source>Cooler than the others</source>
        <translation>Kühler als die anderen</translation>
    </message>
    <message>
        <source>A stage does nothing here</source>
        <translation>Eine Stufe tut hier nichts</translation>
    </message>
    <message>
        <source>{} turns {:.0f}° toward yellow</source>
        <translation>{} dreht sich um {:.0f}° nach Gelb</translation>
    </message>
    <message>
        <source>{} turns {:.0f}° toward red</source>
        <translation>{} dreht sich um {:.0f}° nach Rot</translation>
    </message>
    <message>
        <source>{} has {:.1f} times the colour that it has on the key</source>
        <translation>{} hat {:.1f}-mal die Farbe wie auf dem Schlüsselbild</translation>
    </message>
    <message>
        <source>{:.1f} % clipped</source>
        <translation>{:.1f} % beschnitten</translation>
    </message>
    <message>
        <source>{:.1f} % loses its folds</source>
        <translation>{:.1f} % verlieren ihre Falten</translation>
    </message>
    <message>
        <source>{:.0f} % is smooth and drawn apart</source>
        <translation>{:.0f} % sind glatt und auseinandergezogen</translation>
    </message>
    <message>
        <source>skin</source>
        <translation>Haut</translation>
    </message>
    <message>
        <source>sample {}</source>
        <translation>Messpunkt {}</translation>
    </message>
    <message>
        <source>sample {} turns {:.0f}°</source>
        <translation>Messpunkt {} dreht sich um {:.0f}°</translation>
    </message>
    <message>
        <source>{:.1f} stops darker</source>
        <translation>{:.1f} Blenden dunkler</translation>
    </message>
    <message>
        <source>{:.1f} stops lighter</source>
        <translation>{:.1f} Blenden heller</translation>
    </message>
    <message>
        <source>changes nothing here</source>
        <translation>ändert hier nichts</translation>
    </message>
    <message>
        <source>cannot read to its end</source>
        <translation>lässt sich nicht bis zum Ende lesen</translation>
    </message>
    <message>
        <source>check the disk, and try again</source>
        <translation>Den Datenträger prüfen und es noch einmal versuchen</translation>
    </message>
    <message>
        <source>its settings were changed since it was made: it is made again</source>
        <translation>seine Einstellungen wurden seither geändert: es wird neu gemacht</translation>
    </message>
    <message>
        <source>its file was changed since it was made: it is made again</source>
        <translation>seine Datei wurde seither geändert: es wird neu gemacht</translation>
    </message>
    <message>
        <source>this is no ICC profile</source>
        <translation>das ist kein ICC-Profil</translation>
    </message>
    <message>
        <source>the profile is not one of an RGB device</source>
        <translation>das Profil ist keines eines RGB-Geräts</translation>
    </message>
    <message>
        <source>it says nothing of the way to its device&apos;s numbers</source>
        <translation>es sagt nichts vom Weg zu den Zahlen seines Geräts</translation>
    </message>
    <message>
        <source>it has no take &quot;{}&quot;</source>
        <translation>es hat keine Fassung „{}“</translation>
    </message>
    <message>
        <source>use {stem}, {look}, {n} and {ext}, e.g. {stem}-{look}.{ext}; there are also {preset}, {take}, {folder}, {date}, {time}, {camera}, {lens}, {iso}, {width} and {height}</source>
        <translation>{stem}, {look}, {n} und {ext} verwenden, z. B. {stem}-{look}.{ext}; außerdem gibt es {preset}, {take}, {folder}, {date}, {time}, {camera}, {lens}, {iso}, {width} und {height}</translation>
    </message>
    <message>
        <source>OpenColorIO can&apos;t write it: {}</source>
        <translation>OpenColorIO kann sie nicht schreiben: {}</translation>
    </message>
    <message>
        <source>choose a .cube file</source>
        <translation>eine .cube-Datei wählen</translation>
    </message>
    <message>
        <source>not a preset (.bpreset) and not a LUT (.cube, .3dl, .clf); the program it was made for may write one of these</source>
        <translation>keine Vorgabe (.bpreset) und keine LUT (.cube, .3dl, .clf); das Programm, für das sie gemacht ist, kann vielleicht eine davon schreiben</translation>
    </message>
</context>
<context>
    <name>std::filesystem</name>
    <message>
        <source>the name &quot;{}&quot; has a brace that is not closed</source>
        <translation>der Name &quot;{}&quot; hat eine Klammer, die nicht geschlossen ist</translation>
    </message>
    <message>
        <source>the name &quot;{}&quot; has an unknown field {{{}}}</source>
        <translation>der Name &quot;{}&quot; hat ein unbekanntes Feld {{{}}}</translation>
    </message>
    <message>
        <source>the name &quot;{}&quot; gives no file name</source>
        <translation>der Name &quot;{}&quot; ergibt keinen Dateinamen</translation>
    </message>
    <message>
        <source>the name &quot;{}&quot; leads out of the output folder</source>
        <translation>der Name &quot;{}&quot; führt aus dem Ausgabeordner hinaus</translation>
    </message>
    <message>
        <source>the name &quot;{}&quot; says {}, but the files are {}</source>
        <translation>der Name „{}“ sagt {}, aber die Dateien sind {}</translation>
    </message>
    <message>
        <source>write {ext} in its place, or choose the other format</source>
        <translation>stattdessen {ext} schreiben oder das andere Format wählen</translation>
    </message>
    <message>
        <source>the name &quot;{}…&quot; would be {} bytes long</source>
        <translation>der Name „{}…“ wäre {} Bytes lang</translation>
    </message>
    <message>
        <source>shorten the template, or rename the picture</source>
        <translation>Das Muster kürzen oder das Bild umbenennen</translation>
    </message>
    <message>
        <source>cannot make a folder for what is on its way</source>
        <translation>kein Ordner für das, was unterwegs ist</translation>
    </message>
    <message>
        <source>set TMPDIR to a folder with room</source>
        <translation>TMPDIR auf einen Ordner mit Platz setzen</translation>
    </message>
</context>
<context>
    <name>vips</name>
    <message>
        <source>the file is empty</source>
        <translation>die Datei ist leer</translation>
    </message>
    <message>
        <source>copy it again from the camera or a backup</source>
        <translation>noch einmal von der Kamera oder aus einer Sicherung kopieren</translation>
    </message>
    <message>
        <source>open it where it was made and save it as one of these</source>
        <translation>dort öffnen, wo es entstand, und in einem dieser Formate sichern</translation>
    </message>
    <message>
        <source>it is an animation: its first picture is taken</source>
        <translation>die Datei ist eine Animation: genommen wird ihr erstes Bild</translation>
    </message>
    <message>
        <source>this is not a JPEG, PNG, TIFF, WebP or AVIF picture</source>
        <translation>das ist kein Bild (JPEG, PNG, TIFF, WebP oder AVIF)</translation>
    </message>
</context>
</TS>
