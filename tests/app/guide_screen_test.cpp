// The guide beside the work: every control has its page, every page is whole.
#include "app/grade/stage_commands.h"
#include "app/guide_places.h"
#include "app/screen_helpers.h"
#include "base/file.h"
#include "stages/purposes.h"

#include <QCursor>
#include <QRegularExpression>

namespace baryton::test {

namespace {

void pressF1(Driver& d, QWidget* over) {
    QCursor::setPos(over->mapToGlobal(over->rect().center()));
    QTest::keyClick(QApplication::focusWidget() ? QApplication::focusWidget() : &d.window(), Qt::Key_F1);
    QTest::qWait(20);
}

/// What the interface says in a language, as patterns: collected texts, with anything in the place of a value.
class Texts {
public:
    explicit Texts(bool isGerman) {
        const QString file = QString::fromStdString(
            readFile(std::filesystem::path(BARYTON_SOURCE) / "share/translations/baryton_de.ts"));
        static const QRegularExpression source(tr8("<source>(.*?)</source>"), kOverLines),
            translation(tr8("<translation>(.*?)</translation>"), kOverLines), value(tr8(R"(%(\d|n)|\{[^}]*\})"));
        for (auto it = (isGerman ? translation : source).globalMatch(file); it.hasNext();) {
            QString text = it.next().captured(1);
            for (const auto& [escaped, plain] :
                 {std::pair("&lt;", "<"), std::pair("&gt;", ">"), std::pair("&apos;", "'"), std::pair("&quot;", "\""),
                  std::pair("&amp;", "&")})
                text.replace(tr8(escaped), tr8(plain));
            text = bare(text);
            if (!text.contains(value)) {
                whole_.insert(text);
                continue;
            }
            const QStringList parts = text.split(value);
            if (parts.join(QString()).trimmed().size() < 4) continue; // hardly more than its values
            QStringList pattern;
            for (const QString& part : parts) pattern.append(QRegularExpression::escape(part));
            patterns_.append(QRegularExpression(u'^' + pattern.join(tr8(".+")) + u'$'));
        }
        for (const StageType* type : stageTypes())
            for (const ParameterType& parameter : type->parameters)
                for (const auto& option : parameter.options) whole_.insert(bare(QString::fromStdString(option.name)));
    }
    bool has(const QString& name) const {
        const QString text = bare(name);
        return whole_.contains(text) || std::any_of(patterns_.begin(), patterns_.end(),
                                                    [&](const auto& each) { return each.match(text).hasMatch(); });
    }

private:
    static constexpr auto kOverLines = QRegularExpression::DotMatchesEverythingOption;
    /// Pages leave out what only says that more follows.
    static QString bare(QString text) {
        while (text.endsWith(u'…') || text.endsWith(u':')) text.chop(1);
        return text.trimmed().toLower();
    }
    QSet<QString> whole_;
    QList<QRegularExpression> patterns_;
};

/// Whether typing this behind the chain's + finds a stage.
bool findsAStage(const QString& words) {
    const auto offers = stageOffers();
    return std::any_of(offers.begin(), offers.end(), [&](const StageOffer& offer) {
        return (offer.title + u' ' + QString::fromStdString(purposesOf(offer.type->id)))
            .contains(words, Qt::CaseInsensitive);
    });
}

} // namespace

TEST(Guide, EveryNameOnItsPagesIsOneOfTheInterface) {
    static const QRegularExpression emphasised(tr8(R"((?<![*\w])(\*{1,2})([^*]+)\1(?!\*))"));
    static const QRegularExpression between(
        tr8(R"(, | = |: )")); // a menu and its entry; a field and what stands in it
    for (const bool isGerman : {false, true}) {
        const Texts texts(isGerman);
        ASSERT_TRUE(texts.has(isGerman ? tr8("Vorgabe sichern…") : tr8("Save preset")));
        ASSERT_FALSE(texts.has(tr8("Save the whales")));
        int names = 0;
        const auto folder = std::filesystem::path(BARYTON_SOURCE) / "docs/guide" / (isGerman ? "de" : "");
        for (const auto& entry : std::filesystem::directory_iterator(folder)) {
            if (entry.path().extension() != ".md") continue;
            for (auto it = emphasised.globalMatch(QString::fromStdString(readFile(entry.path()))); it.hasNext();) {
                const QString name = it.next().captured(2).simplified();
                // The words that a paragraph begins with, the plus, the end of a file's name.
                if (name.endsWith(u'.') || name == tr8("+") || name.startsWith(u'.')) continue;
                ++names;
                const QStringList parts = name.split(between);
                const bool isKnown =
                    texts.has(name) ||
                    std::all_of(parts.begin(), parts.end(), [&](const QString& part) { return texts.has(part); });
                const bool isTyped = !isGerman && name == name.toLower() && findsAStage(name);
                // Terms that are explained there, and what is typed in German.
                static const QStringList explained = {tr8("key picture"),
                                                      tr8("Serie"),
                                                      tr8("Schlüsselbild"),
                                                      tr8("Gestaltung"),
                                                      tr8("verblasst"),
                                                      tr8("nachbelichten"),
                                                      tr8("altes Foto"),
                                                      tr8("mono"),
                                                      tr8("a"),
                                                      tr8("b")};
                EXPECT_TRUE(isKnown || isTyped || explained.contains(name))
                    << entry.path().filename() << ": " << name.toStdString();
            }
        }
        EXPECT_GT(names, isGerman ? 50 : 250);
    }
}

TEST(Guide, EveryPageOfAJobShowsIt) {
    // What the contents list under this heading; the counts of actions are no job.
    const Guide guide(std::filesystem::path(BARYTON_SOURCE) / "docs", tr8("en"));
    const GuidePage* contents = guide.find(Guide::contentsId());
    ASSERT_NE(contents, nullptr);
    const QString list = contents->markdown.section(tr8("## How do I…"), 1).section(tr8("\n## "), 0, 0);
    static const QRegularExpression page(tr8(R"(\]\(([^)]+)\.md\))")), picture(tr8(R"(!\[[^\]]+\]\()"));
    int pages = 0, own = 0;
    for (auto it = page.globalMatch(list); it.hasNext();) {
        const QString id = tr8("guide/") + it.next().captured(1);
        const GuidePage* job = guide.find(id);
        ASSERT_NE(job, nullptr) << id.toStdString();
        ++pages;
        own += job->markdown.count(picture) >= 2 && job->markdown.contains(tr8("](pictures/"));
    }
    EXPECT_GT(pages, 20);
    EXPECT_GE(own, 22) << "two pictures, drawn by the test that does the job";
}

TEST(Guide, EveryPageLinkAndPictureIsThere) {
    const std::filesystem::path docs = std::filesystem::path(BARYTON_SOURCE) / "docs";
    static const QRegularExpression link(tr8(R"((!?)\[[^\]]*\]\(([^)]+)\))"));
    for (const char* language : {"en", "de"}) {
        const Guide guide(docs, tr8(language));
        ASSERT_GT(guide.pages().size(), 50U);
        for (const GuidePage& page : guide.pages()) {
            EXPECT_FALSE(page.title.isEmpty()) << page.id.toStdString();
            for (auto it = link.globalMatch(page.markdown); it.hasNext();) {
                const auto match = it.next();
                const QString target = match.captured(2);
                if (match.captured(1).isEmpty())
                    EXPECT_NE(guide.find(guide.follow(page, target).page), nullptr)
                        << page.id.toStdString() << ": " << target.toStdString();
                else
                    EXPECT_TRUE(std::filesystem::is_regular_file(page.folder / target.toStdString()))
                        << page.id.toStdString() << ": " << target.toStdString();
            }
        }
    }
    // In the files themselves no link of a guide's page leads nowhere.
    for (const auto& entry : std::filesystem::recursive_directory_iterator(docs / "guide"))
        if (entry.path().extension() == ".md")
            for (auto it = link.globalMatch(QString::fromStdString(readFile(entry.path()))); it.hasNext();) {
                const auto target = docs / "guide" / it.next().captured(2).section(u'#', 0, 0).toStdString();
                EXPECT_TRUE(std::filesystem::exists(target)) << entry.path() << ": " << target;
            }
    for (const StageType* type : stageTypes()) EXPECT_NE(useOf(type->id), "") << type->id;
    // Without its files the stages still have their pages, and a link leads nowhere but to them.
    const QTemporaryDir empty;
    const Guide bare(empty.path().toStdString(), tr8("en"));
    ASSERT_NE(bare.find(tr8("stage/curves")), nullptr);
    EXPECT_EQ(bare.follow(*bare.find(tr8("stage/curves")), tr8("../../etc/passwd")).page, QString());
    EXPECT_EQ(bare.follow(*bare.find(tr8("stage/curves")), tr8("https://example.org")).page, QString());
}

TEST(Guide, SearchFindsWhatPeopleCallIt) {
    const Guide guide(std::filesystem::path(BARYTON_SOURCE) / "docs", tr8("en"));
    const auto first = [&](const char* words) {
        const auto hits = guide.search(tr8(words));
        return hits.empty() ? std::string() : hits[0].place.page.toStdString();
    };
    EXPECT_EQ(first("curves"), "stage/curves");
    EXPECT_EQ(first("letterbox"), "stage/bars"); // a word that stands in no text
    EXPECT_EQ(first("watch folder arrives"), "guide/batch");
    EXPECT_EQ(first("CONTACT sheet"), "guide/batch");
    EXPECT_TRUE(guide.search(tr8("quetzal")).empty());
    EXPECT_TRUE(guide.search(tr8("  ")).empty());
    const auto shelf = guide.search(tr8("shelf"));
    ASSERT_FALSE(shelf.empty());
    for (const auto& hit : shelf)
        EXPECT_TRUE((hit.line + hit.place.parts.value(0)).contains(tr8("shelf"), Qt::CaseInsensitive));
}

TEST(Guide, EveryControlHasItsPage) {
    Driver d({"stage-door.dng", "workshop-window.jpg"});
    d.start();
    const Guide guide(guideFolder(), tr8("en"));
    EXPECT_EQ(missingInGuide(&d.window(), guide), QStringList());
    for (const char* task : {"Ctrl+2", "Ctrl+3"}) {
        d.key(task);
        QTest::qWait(60);
        EXPECT_EQ(missingInGuide(&d.window(), guide), QStringList()) << task;
    }
    d.key("Ctrl+1");
    for (const auto& [menu, entry] :
         std::initializer_list<std::pair<const char*, const char*>>{{"File", "Preferences…"},
                                                                    {"File", "Save preset…"},
                                                                    {"File", "Export LUT…"},
                                                                    {"File", "Learn a LUT…"},
                                                                    {"File", "Export a pack…"},
                                                                    {"Picture", "Start of new pictures…"}}) {
        d.menu(tr8(menu), tr8(entry));
        EXPECT_EQ(missingInGuide(d.sheet(), guide), QStringList()) << entry;
        d.sheet()->close();
    }
}

TEST(Guide, F1OpensThePageOfWhatThePointerIsOn) {
    Driver d({"lake-fog.jpg"});
    d.start();
    ASSERT_EQ(d.window().guide(), nullptr);
    pressF1(d, d.window().gradePage()->tray());
    ASSERT_NE(d.window().guide(), nullptr);
    GuidePanel* guide = d.window().guide();
    EXPECT_TRUE(guide->isVisible());
    EXPECT_EQ(guide->browser()->marked(), tr8("The set"));
    // A stage, and on its page the very field.
    d.chooseStage("white-balance");
    EditorPanel* editor = d.window().gradePage()->editorPanel();
    pressF1(d, d.named<NumberField>(editor, tr8("Tint")));
    EXPECT_EQ(guide->place().page, tr8("stage/white-balance"));
    EXPECT_TRUE(guide->browser()->marked().startsWith(tr8("Tint"))) << guide->browser()->marked().toStdString();
    // The way back, a link, the contents, the key that closes it.
    d.click(d.named<QPushButton>(guide, tr8("Back")));
    EXPECT_EQ(guide->browser()->marked(), tr8("The set"));
    d.click(d.button(guide, tr8("Contents")));
    Q_EMIT guide->browser()->linkWanted(tr8("batch.md#size"));
    EXPECT_EQ(guide->browser()->marked(), tr8("Size"));
    d.type(d.named<QLineEdit>(guide, tr8("Search the guide")), tr8("quetzal"));
    EXPECT_TRUE(guide->browser()->toPlainText().startsWith(tr8("Nothing in the guide")));
    d.type(d.named<QLineEdit>(guide, tr8("Search the guide")), tr8("letterbox"));
    EXPECT_TRUE(guide->browser()->toPlainText().startsWith(tr8("Bars")));
    Q_EMIT guide->browser()->linkWanted(tr8("stage/bars"));
    EXPECT_EQ(guide->place().page, tr8("stage/bars"));
    EXPECT_EQ(d.named<QLineEdit>(guide, tr8("Search the guide"))->text(), QString());
    QTest::keyClick(d.named<QLineEdit>(guide, tr8("Search the guide")), Qt::Key_Escape);
    EXPECT_FALSE(guide->isVisible());
    d.click(d.named<QPushButton>(editor, tr8("What is this?")));
    EXPECT_TRUE(guide->isVisible());
    EXPECT_EQ(guide->place().page, tr8("stage/white-balance"));
}

TEST(Guide, ADialogGetsItsPageBesideIt) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.menu(tr8("File"), tr8("Save preset…"));
    QDialog* sheet = d.sheet();
    QCursor::setPos(sheet->mapToGlobal(QPoint(4, 4)));
    QTest::keyClick(sheet, Qt::Key_F1);
    auto* beside = sheet->findChild<GuidePanel*>();
    ASSERT_NE(beside, nullptr);
    EXPECT_TRUE(beside->isVisible());
    EXPECT_EQ(beside->browser()->marked(), tr8("Save a preset"));
    EXPECT_TRUE(sheet->isVisible());
}

} // namespace baryton::test
