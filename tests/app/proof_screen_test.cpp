// Soft proof through the window: what is seen, told, kept, and left alone.
#include "app/proof_sheet.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "app/settings.h"
#include "base/file.h"

#include <QCheckBox>
#include <QColorSpace>
#include <QComboBox>

namespace baryton::test {

TEST(ProofScreen, ShowsThePictureAsTheDeviceWillMarksWhatItHasNotAndLeavesFilesAlone) {
    Driver d({"red-curtain.jpg"});
    // A device with little colour.
    const QColorSpace small({0.3457, 0.3585}, {0.49, 0.345}, {0.325, 0.47}, {0.25, 0.21},
                            QColorSpace::TransferFunction::Gamma, 2.2F);
    const std::filesystem::path file = d.root() / "small.icc";
    writeFileAtomically(file, small.iccProfile().toStdString());
    Settings settings = loadSettings();
    settings.proof.profile = {ProfileWish::Space::File, file};
    settings.proof.marksOutside = false;
    saveSettings(settings);
    EXPECT_EQ(loadSettings(), settings);
    d.start();
    PictureView* view = d.window().gradePage()->view();
    const QImage plain = view->shownAfter();
    const QPoint curtain(plain.width() * 12 / 100, plain.height() * 30 / 100);
    d.key("Ctrl+Shift+P");
    d.settle();
    ASSERT_TRUE(Driver::waitFor([&] { return view->shownAfter() != plain; }));
    const QColor before = plain.pixelColor(curtain), after = view->shownAfter().pixelColor(curtain);
    EXPECT_LT(after.saturationF(), before.saturationF() - 0.15) << "it has no such red";
    EXPECT_TRUE(d.isTold("Proof: "));
    const QImage unmarked = view->shownAfter();
    // What is set is seen at once: stripes over the curtain.
    d.menu(tr8("View"), tr8("Soft proof as…"));
    auto* sheet = qobject_cast<ProofSheet*>(d.sheet());
    ASSERT_NE(sheet, nullptr);
    for (QCheckBox* each : sheet->findChildren<QCheckBox*>())
        if (each->text() == tr8("Mark what lies outside")) d.click(each, {8, each->height() / 2.0});
    d.settle();
    ASSERT_TRUE(Driver::waitFor([&] { return view->shownAfter() != unmarked; }));
    int marked = 0, changed = 0;
    for (int y = 0; y < unmarked.height(); ++y)
        for (int x = 0; x < unmarked.width(); ++x) {
            changed += view->shownAfter().pixel(x, y) != unmarked.pixel(x, y);
            marked += view->shownAfter().pixel(x, y) == 0xff202020 || view->shownAfter().pixel(x, y) == 0xfff0f0f0;
        }
    EXPECT_GT(marked, unmarked.width() * unmarked.height() / 20);
    EXPECT_LE(changed, marked) << "what it has is not touched";
    EXPECT_TRUE(loadSettings().proof.marksOutside);
    // A profile that went away is told there, and pictures are shown as they are.
    std::filesystem::remove(file);
    for (QCheckBox* each : sheet->findChildren<QCheckBox*>())
        if (each->text() == tr8("Paper white")) d.click(each, {8, each->height() / 2.0});
    EXPECT_TRUE(Driver::waitFor([&] {
        const auto labels = sheet->findChildren<QLabel*>();
        return std::any_of(labels.begin(), labels.end(),
                           [](const QLabel* each) { return each->text().contains(tr8("small.icc")); });
    }));
    auto* profile = d.named<QComboBox>(sheet, tr8("Profile"));
    profile->setCurrentIndex(1);
    Q_EMIT profile->activated(1);
    EXPECT_TRUE(Driver::waitFor([] { return proofName() == "Display P3"; }));
    d.click(d.button(sheet, tr8("Close")));
    d.key("Ctrl+Shift+P");
    d.settle();
    EXPECT_TRUE(Driver::waitFor([&] { return view->shownAfter() == plain; }));
    EXPECT_FALSE(d.isTold("Proof: "));
}

} // namespace baryton::test
