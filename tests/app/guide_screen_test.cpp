// The guide beside the work: every control has its page, every page is whole.
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

} // namespace

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
