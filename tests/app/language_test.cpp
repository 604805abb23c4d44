// The interface in German: every text has one, none is cut, and the core speaks it too.
#include "app/cut_text.h"
#include "app/guide_places.h"
#include "app/translation.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "lut/lut_file.h"
#include "stages/stage_type.h"

#include <QProcess>
#include <QRegularExpression>
#include <QScrollArea>
#include <QTest>
#include <QXmlStreamReader>
#include <fstream>
#include <gtest/gtest.h>
#include <set>

namespace baryton::test {

namespace {

struct Message {
    QString context, source, translation;
    bool isUnfinished = false;
};

std::vector<Message> messagesOf(const std::filesystem::path& file) {
    std::vector<Message> all;
    QString context;
    QXmlStreamReader xml(QString::fromStdString(readFile(file)));
    while (!xml.atEnd()) {
        xml.readNext();
        if (!xml.isStartElement()) continue;
        if (xml.name() == u"name") context = xml.readElementText();
        if (xml.name() == u"message") all.push_back({context, {}, {}});
        if (xml.name() == u"source") all.back().source = xml.readElementText();
        if (xml.name() == u"translation") {
            all.back().isUnfinished = xml.attributes().hasAttribute(tr8("type"));
            all.back().translation = xml.readElementText(QXmlStreamReader::IncludeChildElements);
        }
    }
    return all;
}

/// What stands in a text for values: "%1", "{}", "{:.0f}".
QStringList places(const QString& text) {
    static const QRegularExpression place(tr8("%\\d|%n|\\{[^}a-z]*[^}]*\\}"));
    QStringList found;
    for (auto each = place.globalMatch(text); each.hasNext();) found.append(each.next().captured());
    found.sort();
    return found;
}

/// Speaks German for the whole process; every test starts with it.
void speakGerman() {
    static const bool once = [] {
        speak(tr8("de"));
        return true;
    }();
    ASSERT_TRUE(once);
}

} // namespace

TEST(Language, EveryTextOfTodayHasItsTranslation) {
    const QTemporaryDir folder;
    const std::filesystem::path into = folder.path().toStdString(),
                                from = std::filesystem::path(BARYTON_SOURCE) / "share/translations";
    for (const char* name : {"baryton_de.ts", "baryton_en.ts"}) std::filesystem::copy_file(from / name, into / name);
    QProcess update;
    auto environment = QProcessEnvironment::systemEnvironment();
    environment.insert(tr8("BARYTON_CLI"), tr8(BARYTON_CLI));
    update.setProcessEnvironment(environment);
    update.start(QString::fromStdString((from / "update").string()), {folder.path()});
    ASSERT_TRUE(update.waitForFinished());
    ASSERT_EQ(update.exitCode(), 0) << update.readAllStandardError().toStdString();
    for (const char* name : {"baryton_de.ts", "baryton_en.ts"})
        for (const Message& message : messagesOf(into / name))
            EXPECT_FALSE(message.isUnfinished) << name << ": " << message.source.toStdString();
    EXPECT_GT(messagesOf(into / "baryton_de.ts").size(), 1000u);
    EXPECT_EQ(readFile(into / "stage_words.cpp"), readFile(from / "stage_words.cpp"));
}

TEST(Language, TranslationsKeepThePlacesOfValues) {
    for (const Message& message :
         messagesOf(std::filesystem::path(BARYTON_SOURCE) / "share/translations/baryton_de.ts")) {
        const QString text = message.source;
        if (text.contains(tr8("%n"))) continue; // one of its forms may write the number out
        EXPECT_EQ(places(text), places(message.translation)) << text.toStdString();
        EXPECT_FALSE(message.translation.isEmpty()) << text.toStdString();
    }
}

TEST(Language, TheCoresTextsAreFoundWhereverTheyStand) {
    speakGerman();
    // The collector puts a text of the core under what it takes for its class; those of the window have a real one.
    std::set<QString> ofWindow;
    for (const char* name : {"app", "app/grade", "app/package", "app/guide", "app/batch", "app/widgets"})
        for (const auto& entry :
             std::filesystem::directory_iterator(std::filesystem::path(BARYTON_SOURCE) / "src" / name)) {
            if (!entry.is_regular_file()) continue;
            static const QRegularExpression declared(tr8("(?:class|struct) (\\w+)"));
            const QString text = QString::fromStdString(readFile(entry.path()));
            for (auto each = declared.globalMatch(text); each.hasNext();) ofWindow.insert(each.next().captured(1));
        }
    int found = 0;
    for (const Message& message :
         messagesOf(std::filesystem::path(BARYTON_SOURCE) / "share/translations/baryton_de.ts")) {
        if (ofWindow.contains(message.context.section(tr8("::"), -1))) continue;
        EXPECT_EQ(words(message.source.toStdString()), message.translation.toStdString())
            << message.context.toStdString();
        ++found;
    }
    EXPECT_GT(found, 500);
}

namespace {

/// Where the bracket that opens at `open` closes; texts in quotes are passed over.
qsizetype closing(const QString& text, qsizetype open) {
    int depth = 0;
    for (qsizetype i = open; i < text.size(); ++i) {
        if (text[i] == u'"')
            for (++i; i < text.size() && text[i] != u'"'; ++i) i += text[i] == u'\\';
        else if (text[i] == u'(' || text[i] == u'{')
            ++depth;
        else if ((text[i] == u')' || text[i] == u'}') && --depth == 0)
            return i;
    }
    return text.size();
}

/// Texts of more than one word among the arguments of a call that are given to no translation.
QStringList untranslated(QString arguments) {
    static const QRegularExpression translating(tr8("\\b(?:words|inWords|tr|marked|translate|say)\\("));
    for (auto at = translating.match(arguments); at.hasMatch(); at = translating.match(arguments)) {
        const qsizetype end = closing(arguments, at.capturedEnd() - 1);
        arguments.remove(at.capturedStart(), end - at.capturedStart());
    }
    static const QRegularExpression text(tr8("\"(?:[^\"\\\\]|\\\\.)*\"")), several(tr8("[a-z] +[a-z]"));
    QStringList found;
    for (auto each = text.globalMatch(arguments); each.hasNext();)
        if (const QString one = each.next().captured(); one.contains(several)) found.append(one);
    return found;
}

} // namespace

TEST(Language, EveryErrorAndRemarkGoesThroughTranslation) {
    EXPECT_EQ(untranslated(tr8("(\"\", at, \"it is torn\", words(\"mend it (now)\"))")),
              QStringList(tr8("\"it is torn\"")));
    static const QRegularExpression telling(
        tr8("\\bError\\(|\\bError bad\\(|errors\\.emplace_back\\(|remarks\\.push_back\\(|leftOut\\.push_back\\(|"
            "\\bfail\\(|\\btell\\(|\\bcheck\\(failed|\\.(?:reason|error|warning|mark) = "));
    int looked = 0;
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(std::filesystem::path(BARYTON_SOURCE) / "src")) {
        const std::string path = entry.path().string(), extension = entry.path().extension().string();
        // The command line speaks English alone.
        if ((extension != ".cpp" && extension != ".h") || path.find("/cli/") != std::string::npos) continue;
        const QString source = QString::fromStdString(readFile(entry.path()));
        for (auto each = telling.globalMatch(source); each.hasNext();) {
            const auto match = each.next();
            ++looked;
            const bool isCall = match.captured().contains(u'(');
            const qsizetype open = source.lastIndexOf(u'(', match.capturedEnd() - 1);
            const qsizetype end = isCall ? closing(source, open) : source.indexOf(u';', match.capturedEnd());
            const qsizetype from = isCall ? open : match.capturedEnd();
            EXPECT_EQ(untranslated(source.mid(from, end - from)).join(u'\n').toStdString(), "") << path;
        }
    }
    EXPECT_GT(looked, 200);
}

TEST(Language, WhatIsWrongWithAFileIsSaidInIt) {
    speakGerman();
    Driver d({"lake-fog.jpg"});
    std::ofstream(d.folder() / "torn.jpg") << "no picture";
    std::ofstream(d.root() / "short.cube") << "LUT_3D_SIZE 2\n0 0 0\n1 1\n";
    d.start();
    EXPECT_TRUE(d.state().pictures().at(1).error.contains(tr8("das ist kein Bild (JPEG, PNG, TIFF, WebP oder AVIF)")))
        << d.state().pictures().at(1).error.toStdString();
    try {
        readLutFile(d.root() / "short.cube");
        ADD_FAILURE();
    } catch (const Error& e) {
        EXPECT_EQ(e.problem(), "eine Zeile der 3D-Tabelle muss drei Zahlen enthalten, diese enthält 2");
        EXPECT_EQ(e.hint(), "die Datei ist beschädigt: dort, wo sie entstand, noch einmal ausgeben");
    }
}

TEST(Language, CoreAndWindowSpeakIt) {
    speakGerman();
    EXPECT_EQ(findStageType("white-balance")->name, "Weißabgleich");
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Blenden")), tr8("0.5"), true);
    d.menu(tr8("Bearbeiten"), tr8("Belichtung: Blenden +0.50 rückgängig"));
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    // The same stage in a file is the same in every language.
    d.state().pictures().flush();
    const std::string file = readFile(d.folder() / "lake-fog.jpg.bgrade");
    EXPECT_EQ(file.find("Belichtung"), std::string::npos);
    EXPECT_NE(file.find("\"exposure\""), std::string::npos);
    // What the engine says of a stage.
    d.addStage(tr8("Farbtonbänder"));
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Sättigung")), tr8("-100"), true);
    d.menu(tr8("Look"), tr8("Stufe verdoppeln"));
    const std::string id = d.state().chosenStage();
    EXPECT_TRUE(Driver::waitFor([&] {
        const auto* card = d.window().gradePage()->chain()->card(id);
        return card && card->toolTip().contains(tr8("findet nichts zu tun"));
    }));
}

TEST(Language, ThePartsOfTheGuideAreThereInIt) {
    Driver d({"workshop-window.jpg"});
    d.start();
    d.key("Ctrl+1");
    const Guide guide(guideFolder(), tr8("de"));
    EXPECT_EQ(guide.find(Guide::contentsId())->title, tr8("Anleitung"));
    EXPECT_EQ(missingInGuide(&d.window(), guide), QStringList());
    for (const char* entry : {"Vorgabe sichern…", "LUT ausgeben…", "Einstellungen…"}) {
        d.menu(tr8("Datei"), tr8(entry));
        EXPECT_EQ(missingInGuide(d.sheet(), guide), QStringList()) << entry;
        d.sheet()->close();
    }
}

TEST(Language, NothingIsCut) {
    speakGerman();
    Driver d({"stage-door.dng", "workshop-window.jpg"}); // a raw file has every editor
    d.start();
    expectNothingCut(d);
}

TEST(Language, TheShapesOfAMaskHaveRoomForTheirWords) {
    speakGerman();
    Driver d({"lake-fog.jpg"});
    d.start();
    EditorPanel* panel = d.window().gradePage()->editorPanel();
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.settle();
    const QWidget* room = panel->editor();
    while (room && !qobject_cast<const QScrollArea*>(room)) room = room->parentWidget();
    ASSERT_NE(room, nullptr);
    const QWidget* viewport = static_cast<const QScrollArea*>(room)->viewport();
    for (const char* shape : {"Ellipse", "Verlauf", "Pinsel", "Objekt", "Töne", "Farben"}) {
        d.click(d.button(panel, tr8(shape)));
        EXPECT_LE(panel->editor()->minimumSizeHint().width(), viewport->width()) << shape;
    }
}

} // namespace baryton::test
