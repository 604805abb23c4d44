// Makes the pictures of docs/screenshots: the real window on the demo set, each view after a little real work.
#include "app/drawn_pictures.h"
#include "app/driver.h"
#include "app/grade/colour_editors.h"
#include "app/package/lut_panel.h"
#include "app/package/stages_sheet.h"
#include "app/preferences.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/number_field.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "package/archive.h"
#include "stages/examples.h"
#include "stages/raw.h"

#include <QApplication>
#include <QCheckBox>
#include <QDialog>
#include <QMenu>
#include <QPainter>
#include <QTest>

using namespace baryton;

namespace {

void save(QWidget* widget, const QString& folder, const QString& name) {
    const QString file = folder + u'/' + name + QStringLiteral(".png");
    if (!widget->grab().save(file)) qFatal("cannot write %s", qPrintable(file));
}

/// A sheet over the window, as it is seen.
void saveWithSheet(MainWindow& window, QDialog* sheet, const QString& folder, const QString& name) {
    QImage image = window.grab().toImage();
    QPainter painter(&image);
    painter.fillRect(image.rect(), QColor(0, 0, 0, 110));
    painter.drawPixmap((window.width() - sheet->width()) / 2, (window.height() - sheet->height()) / 2, sheet->grab());
    painter.end();
    const QString file = folder + u'/' + name + QStringLiteral(".png");
    if (!image.save(file)) qFatal("cannot write %s", qPrintable(file));
}

} // namespace

/// The library, two presets compared, and an archive before it is taken in.
void packages(Driver& d, const QString& folder) {
    d.click(d.button(&d.window(), QStringLiteral("Package")));
    PackagePage* package = d.window().packagePage();
    QListView* tiles = package->tiles();
    const auto find = [&](const char* name) {
        for (int row = 0; row < tiles->model()->rowCount(); ++row)
            if (tiles->model()->index(row, 0).data().toString() == QString::fromLatin1(name)) return row;
        qFatal("no preset %s", name);
    };
    QTest::qWait(2500);
    d.chooseRow(tiles, find("Late straw"));
    auto* lut = package->findChild<LutPanel*>();
    Driver::waitFor(
        [&] {
            const auto& grids = lut->plot()->columns();
            return grids.size() == 5 && grids.back().first &&
                   !lut->accountText().contains(QStringLiteral("Measuring"));
        },
        60);
    QTest::qWait(3000); // until the advised grid is fitted
    save(&d.window(), folder, QStringLiteral("package"));

    const auto text = [](const char* preset) {
        return readFile(std::filesystem::path(BARYTON_SOURCE) / "share/presets" / preset);
    };
    const LutTable straw = bakeLook(presetFromText(text("Meadow and lake/Late straw.bpreset")).carried, 17, "Straw");
    const std::string cube = cubeText(straw);
    Preset dusk = presetFromText(text("Dusk/Last light.bpreset"));
    dusk.notes = "As the company wears it on the road.";
    const auto zip = d.root() / "Season kit.zip";
    writeFileAtomically(zip, writeZip({{"Season kit/Dusk/Last light.bpreset", presetToText(dusk)},
                                       {"Season kit/Dusk/Ember.bpreset", text("Dusk/Ember.bpreset")},
                                       {"Season kit/Meadow/Straw.cube", cube},
                                       {"Season kit/Meadow/Straw.3dl", threeDlText(straw)},
                                       {"Season kit/Meadow/Clearing.bpreset", presetToText([&] {
                                            Preset p = presetFromText(text("Meadow and lake/Morning dew.bpreset"));
                                            p.name = "Clearing";
                                            return p;
                                        }())},
                                       {"Season kit/torn.cube", "LUT_3D_SIZE 17\n0 0 0\n"},
                                       {"Season kit/how to.pdf", "x"}}));
    d.window().openPaths({zip});
    QTest::qWait(800);
    saveWithSheet(d.window(), d.sheet(), folder, QStringLiteral("import"));
    d.sheet()->reject();
    QTest::qWait(50);
}

/// The front puppet apart: drawn round as an object, its shadow added with a brush.
void mask(Driver& d, const QString& folder, int row) {
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();
    const auto press = [&](const char* text) {
        d.click(d.button(grade->editorPanel(), QString::fromLatin1(text)));
        d.settle();
    };
    d.chooseRow(grade->tray(), row);
    d.settle();
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.settle();
    press("Object");
    QVector<QPointF> round;
    for (const auto& [x, y] :
         {std::pair{100, 62}, {120, 52},  {142, 62},  {146, 85},  {142, 100}, {160, 120}, {184, 145}, {186, 165},
          {170, 165},         {150, 150}, {152, 205}, {144, 212}, {146, 245}, {122, 252}, {98, 245},  {100, 210},
          {88, 200},          {92, 190},  {76, 195},  {72, 170},  {80, 130},  {98, 108},  {96, 85}})
        round.append(d.onPicture({x / 392.0, y / 262.0}));
    d.draw(view, round);
    const auto found = [&] { return !d.state().objectSearch().wish(); };
    Driver::waitFor(found);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("2.5"), true);
    d.drag(view, d.onPicture({0.28, 0.28}), d.onPicture({0.325, 0.27}));
    Driver::waitFor(found);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("1"), true);
    d.drag(view, d.onPicture({0.251, 0.6}), d.onPicture({0.244, 0.7}), Qt::ControlModifier);
    Driver::waitFor(found);
    d.state().maskTools().setVeil(MaskVeil::Coloured);
    QTest::mouseMove(view, d.onPicture({0.31, 0.6}).toPoint());
    d.settle();
    save(&d.window(), folder, QStringLiteral("grade-mask"));
    d.state().maskTools().setVeil(MaskVeil::None);
}

/// The alley at night, as the grid shows it: its lamps glow, with a warm seam and grain.
void grain(Driver& d, int row) {
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), row);
    d.settle();
    d.chooseStage("vignette");
    d.addStage(QStringLiteral("Bloom"));
    for (const auto& [name, value] : {std::pair("Threshold", "55"), std::pair("Reach", "20"), std::pair("Tint", "40"),
                                      std::pair("Tint hue", "60")})
        d.type(d.named<NumberField>(grade->editorPanel(), QString::fromLatin1(name)), QString::fromLatin1(value),
               true);
    d.addStage(QStringLiteral("Halation"));
    d.addStage(QStringLiteral("Grain"));
    for (const auto& [name, value] : {std::pair("Amount", "26"), std::pair("Size", "0.9")})
        d.type(d.named<NumberField>(grade->editorPanel(), QString::fromLatin1(name)), QString::fromLatin1(value),
               true);
    auto* curve = d.named<CurveView>(grade->editorPanel(), QStringLiteral("Curve over tone"));
    d.drag(curve, curve->toWidget({1, 0.5}), curve->toWidget({1, 0.2}));
}

/// The boat on the lake, level and twice as wide as high, off centre, while the hand turns.
void framing(Driver& d, const QString& folder, int row) {
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), row);
    d.settle();
    d.addStage(QStringLiteral("Frame"));
    FrameView* view = grade->frameView();
    Driver::waitFor([&] { return !view->frameRect().isEmpty(); });
    auto* ratio = d.named<QComboBox>(grade->editorPanel(), QStringLiteral("Ratio"));
    ratio->setCurrentIndex(ratio->findText(QStringLiteral("2 : 1")));
    Q_EMIT ratio->activated(ratio->currentIndex());
    QTest::qWait(200);
    d.drag(view, view->frameRect().bottomRight(), view->frameRect().bottomRight() - QPointF(90, 45));
    d.drag(view, view->frameRect().center(), view->frameRect().center() + QPointF(40, 60));
    const QPointF outside = view->frameRect().topRight() + QPointF(24, -30);
    QTest::mousePress(view, Qt::LeftButton, {}, outside.toPoint());
    QTest::mouseMove(view, (outside + QPointF(2, 12)).toPoint());
    QTest::qWait(300);
    save(&d.window(), folder, QStringLiteral("grade-frame"));
    QTest::mouseRelease(view, Qt::LeftButton, {}, (outside + QPointF(2, 12)).toPoint());
}

/// A raw file's Prep, in the light theme: lit by a lamp and a window, its white set between them.
void rawFile(const QString& folder) {
    Driver d({"stage-door.dng", "backstage-mixed.jpg", "lantern-alley.jpg", "red-curtain.jpg", "spotlight.jpg",
              "workshop-window.jpg"});
    d.start();
    Settings light;
    light.theme = theme::Kind::Light;
    applySettings(light);
    GradePage* grade = d.window().gradePage();
    for (int i = 0; i < d.state().pictures().size(); ++i)
        if (isRawName(d.state().pictures().at(i).file)) d.chooseRow(grade->tray(), i);
    d.settle();
    d.chooseStage("raw");
    auto* temperature = d.named<NumberField>(grade->editorPanel(), QStringLiteral("Temperature"));
    Driver::waitFor([&] { return temperature->isEnabled(); });
    d.type(temperature, QStringLiteral("4400"), true);
    QTest::qWait(400);
    d.settle();
    save(&d.window(), folder, QStringLiteral("grade-raw"));
    applySettings({});
}

/// Late summer on the meadow: a band pressed on in the picture, seen beside the source.
void bandsOnThePicture(Driver& d, const QString& folder, int row,
                       const QString& name = QStringLiteral("grade-bands")) {
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), row);
    d.settle();
    d.addStage(QStringLiteral("Hue bands"));
    d.click(d.button(grade->editorPanel(), QStringLiteral("On picture")));
    PictureView* view = grade->view();
    const auto at = [&](double x, double y) {
        return view->fromPicture({x * view->pictureSize().width(), y * view->pictureSize().height()});
    };
    d.drag(view, at(0.3, 0.93), at(0.3, 0.93) + QPointF(-150, -20));
    d.click(d.button(grade->editorPanel(), QStringLiteral("On picture")));
    d.click(grade->scopes()->kinds()->button(3));
    d.click(d.button(grade, QStringLiteral("Beside")));
    d.settle();
    QTest::qWait(300);
    save(&d.window(), folder, name);
    d.click(d.button(grade, QStringLiteral("Beside")));
}

/// Two takes of the dusk, a reference beside with samples, and the push table.
void takesAndReference(Driver& d, const QString& folder, int row) {
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), row);
    d.settle();
    d.menu(QStringLiteral("Picture"), QStringLiteral("Takes and steps"));
    d.click(d.button(grade->steps(), QStringLiteral("Keep take")));
    d.addStage(QStringLiteral("Push table"));
    auto* table = qobject_cast<PushTableEditor*>(grade->editorPanel()->editor());
    const auto push = [&](int r, int c, double by) {
        ScrubCell* cell = table->cell(r, c);
        d.drag(cell, QPointF(20, 12), QPointF(20 + by, 12));
    };
    push(0, 2, 32), push(0, 0, -18), push(2, 0, 26), push(2, 2, -30), push(1, 3, 12);
    grade->loadReference(d.folder() / "lantern-alley.jpg");
    PictureView* view = grade->view();
    Driver::waitFor([&] { return view->compare() == PictureView::Compare::Reference; });
    d.settle();
    for (const QPointF& share : {QPointF(0.3, 0.75), QPointF(0.7, 0.2)}) {
        const QPointF at =
            view->fromPicture({share.x() * view->pictureSize().width(), share.y() * view->pictureSize().height()});
        QContextMenuEvent event(QContextMenuEvent::Mouse, at.toPoint(), view->mapToGlobal(at.toPoint()));
        QApplication::sendEvent(view, &event);
        QTest::keyClick(QApplication::activePopupWidget(), Qt::Key_Down);
        QTest::keyClick(QApplication::activePopupWidget(), Qt::Key_Return);
        QTest::qWait(30);
        QApplication::setActiveWindow(&d.window());
    }
    d.settle();
    QTest::qWait(500);
    save(&d.window(), folder, QStringLiteral("grade-takes"));
    d.click(d.button(grade, QStringLiteral("Reference")));
    d.menu(QStringLiteral("Picture"), QStringLiteral("Takes and steps"));
}

/// A LUT of unknown making, worn by the key picture and turned into stages.
void lutAsStages(Driver& d, const QString& folder) {
    const Preset preset = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Dusk/Ember.bpreset");
    d.addStage(QStringLiteral("LUT"));
    d.state().setParameters(
        d.state().chosenStage(),
        {{"file", LutContent{"ember.cube", std::make_shared<const LutTable>(bakeLook(preset.carried, 33, "ember"))}}},
        true);
    d.settle();
    d.click(d.button(d.window().gradePage()->editorPanel(), QStringLiteral("Turn into stages…")));
    auto* sheet = qobject_cast<StagesSheet*>(d.sheet());
    Driver::waitFor([&] { return sheet->isDone(); }, 60);
    d.click(d.button(sheet, QStringLiteral("Behind them as a LUT")));
    QTest::qWait(700);
    saveWithSheet(d.window(), sheet, folder, QStringLiteral("lut-as-stages"));
    d.click(d.button(sheet, QStringLiteral("Cancel")));
    for (int steps = 0; steps < 2; ++steps) d.undo(); // the stage and its LUT
    d.settle();
}

/// Six pictures chosen and graded together, in the grid.
void severalPictures(Driver& d, const QString& folder) {
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), 0);
    QTest::mouseClick(grade->tray()->viewport(), Qt::LeftButton, Qt::ShiftModifier,
                      grade->tray()->visualRect(grade->tray()->model()->index(5, 0)).center());
    d.addStage(QStringLiteral("Primaries"));
    auto* primaries = qobject_cast<PrimariesEditor*>(grade->editorPanel()->editor());
    TriangleView* triangle = primaries->triangle();
    d.drag(triangle, triangle->cornerPoint(0), triangle->cornerPoint(0) + QPointF(-20, -28));
    d.drag(triangle, triangle->cornerPoint(2), triangle->cornerPoint(2) + QPointF(-8, 40));
    d.click(d.button(grade, QStringLiteral("Grid")));
    Driver::waitFor([&] { return !grade->grid()->image(5).isNull(); });
    QTest::qWait(800);
    save(&d.window(), folder, QStringLiteral("grade-grid"));
}

/// A stage, and what the guide says of it.
void guide(Driver& d, const QString& folder) {
    GradePage* grade = d.window().gradePage();
    d.chooseStage("hue-bands");
    d.settle();
    d.click(d.named<QPushButton>(grade->editorPanel(), QStringLiteral("What is this?")));
    QTest::qWait(400);
    save(&d.window(), folder, QStringLiteral("guide"));
    d.menu(QStringLiteral("Help"), QStringLiteral("Guide"));
    d.settle();
}

/// What stands there when nothing is open yet.
void welcome(Driver& d, const QString& folder) {
    rememberSet(QString::fromStdString(d.folder().string()));
    MainWindow window(d.libraryRoot());
    window.resize(1280, 800);
    window.show();
    QTest::qWait(200);
    save(&window, folder, QStringLiteral("welcome"));
}

/// A set of twelve shots of four scenes, some of them badly lit: surveyed, then matched.
void season(const QString& folder) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "portrait-dark.jpg", "workshop-window.jpg"});
    std::filesystem::copy(std::filesystem::path(BARYTON_SOURCE) / "share/presets", d.libraryRoot(),
                          std::filesystem::copy_options::recursive);
    d.addShot("lake-fog.jpg", "lake-fog-b.jpg", 0.25, 6800);
    d.addShot("lake-fog.jpg", "lake-fog-c.jpg", 1.9, 6504);
    d.addShot("meadow-cart.jpg", "meadow-cart-b.jpg", -1.7, 6504);
    d.addShot("meadow-cart.jpg", "meadow-cart-c.jpg", 0.3, 6200);
    d.addShot("portrait-dark.jpg", "portrait-dark-b.jpg", -0.3, 7100);
    d.addShot("portrait-dark.jpg", "portrait-dark-c.jpg", 0, 3400);
    d.addShot("workshop-window.jpg", "workshop-window-b.jpg", 0.4, 6504);
    d.addShot("workshop-window.jpg", "workshop-window-c.jpg", -0.5, 6000);
    d.start();
    BatchPage* batch = d.window().batchPage();
    d.click(d.button(&d.window(), QStringLiteral("Batch")));
    d.chooseLook(QStringLiteral("Late straw"));
    for (QCheckBox* box : batch->findChildren<QCheckBox*>())
        if (box->text() == QStringLiteral("Each picture's own grade")) box->click();
    d.click(d.button(batch, QStringLiteral("Survey")));
    QTest::qWait(300);
    Driver::waitFor([&] { return batch->surveyPage()->survey().isDone(); }, 60);
    QTest::qWait(300);
    QListView* tiles = batch->surveyPage()->list();
    d.click(tiles->viewport(), tiles->visualRect(tiles->model()->index(1, 0)).center());
    QTest::qWait(300);
    save(&d.window(), folder, QStringLiteral("survey"));
    d.click(d.button(batch, QStringLiteral("Match")));
    Driver::waitFor([&] { return batch->matchPage()->takeButton()->isEnabled(); }, 60);
    QTest::qWait(2500);
    QListView* pairs = batch->matchPage()->list();
    d.click(pairs->viewport(), pairs->visualRect(pairs->model()->index(6, 0)).center());
    QTest::qWait(300);
    save(&d.window(), folder, QStringLiteral("match"));
}

int main(int argc, char** argv) {
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen"); // no monitor is needed
    QApplication application(argc, argv);
    theme::install(application);
    const QString folder = argc > 1 ? QString::fromLocal8Bit(argv[1]) : QStringLiteral(".");
    rawFile(folder);
    season(folder);
    if (argc > 2) drawStageStrips(QString::fromLocal8Bit(argv[2]));
    if (argc > 3) drawWelcome(QString::fromLocal8Bit(argv[3]));
    Driver d;
    welcome(d, folder);
    std::filesystem::copy(std::filesystem::path(BARYTON_SOURCE) / "share/presets", d.libraryRoot(),
                          std::filesystem::copy_options::recursive);
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto row = [&](const char* name) {
        for (int i = 0; i < d.state().pictures().size(); ++i)
            if (d.state().pictures().at(i).file.filename() == name) return i;
        qFatal("no %s", name);
    };

    // Grade: a curve, wheels, the wipe.
    d.chooseRow(grade->tray(), row("lantern-alley.jpg"));
    d.settle();
    d.chooseStage("wheels");
    auto* wheels = qobject_cast<WheelsEditor*>(grade->editorPanel()->editor());
    d.pull(wheels->disc(), 0, 350, 0.35);
    d.click(wheels->axis(), wheels->axis()->name(2));
    d.pull(wheels->disc(), 2, 150, 0.22);
    d.settle();
    save(&d.window(), folder, QStringLiteral("grade-wheels"));
    d.chooseStage("curves");
    auto* curves = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor());
    CurveView* view = curves->view();
    d.drag(view, view->toWidget({0, 0}), view->toWidget({0, 0.06}));
    d.drag(view, view->toWidget({0.7, 0.7}), view->toWidget({0.68, 0.76}));
    d.drag(view, view->toWidget({0.25, 0.27}), view->toWidget({0.25, 0.19}));
    d.click(curves->channels()->button(4));
    d.drag(view, view->toWidget({1, 1}), view->toWidget({1, 0.9}));
    d.click(curves->channels()->button(0));
    d.click(d.button(grade, QStringLiteral("Wipe")));
    d.settle();
    QTest::mouseMove(grade->view(), grade->view()->rect().center() + QPoint(120, -60));
    QTest::qWait(200);
    save(&d.window(), folder, QStringLiteral("grade"));

    d.menu(QStringLiteral("File"), QStringLiteral("Save preset…"));
    d.type(d.named<QLineEdit>(d.sheet(), QStringLiteral("Preset name")), QStringLiteral("Alley at nine"));
    saveWithSheet(d.window(), d.sheet(), folder, QStringLiteral("save-preset"));
    d.click(d.button(d.sheet(), QStringLiteral("Save preset")));
    QTest::qWait(100);

    d.menu(QStringLiteral("File"), QStringLiteral("Export LUT…"));
    QDialog* sheet = d.sheet();
    Driver::waitFor([&] {
        for (auto* label : sheet->findChildren<QLabel*>())
            if (label->text().contains(QStringLiteral("Fitted"))) return true;
        return false;
    });
    saveWithSheet(d.window(), sheet, folder, QStringLiteral("export-lut"));
    d.click(d.button(sheet, QStringLiteral("Close")));

    // The shelf, one preset tried by the pointer.
    d.click(d.button(grade, QStringLiteral("Wipe")));
    d.chooseRow(grade->tray(), row("meadow-cart.jpg"));
    d.settle();
    d.chooseStage("saturation");
    d.click(d.named<QPushButton>(grade, QStringLiteral("Shelf")));
    d.type(grade->shelf()->findChild<QLineEdit*>(), QStringLiteral("meadow"));
    QTest::qWait(1500);
    QListView* shelf = grade->shelf()->list();
    d.chooseRow(shelf, Driver::rowOf(shelf, QStringLiteral("Morning dew")));
    d.settle();
    const auto index = shelf->model()->index(Driver::rowOf(shelf, QStringLiteral("Late straw")), 0);
    QTest::mouseMove(grade->view(), grade->view()->rect().center());
    QTest::qWait(200);
    QTest::mouseMove(shelf->viewport(), shelf->visualRect(index).center());
    QTest::qWait(700);
    save(&d.window(), folder, QStringLiteral("shelf"));

    lutAsStages(d, folder);

    // A chain of many stages, with what they say of themselves.
    grade->showSide(GradePage::Side::None);
    d.chooseRow(grade->tray(), row("workshop-window.jpg"));
    d.settle();
    d.chooseStage("saturation");
    for (const char* type : {"Hue bands", "Push table", "Film response"}) d.addStage(QString::fromLatin1(type));

    mask(d, folder, row("backstage-mixed.jpg"));
    framing(d, folder, row("lake-fog.jpg"));
    grain(d, row("lantern-alley.jpg"));
    bandsOnThePicture(d, folder, row("meadow-cart.jpg"));
    guide(d, folder);
    takesAndReference(d, folder, row("dusk-horizon.jpg"));
    severalPictures(d, folder);
    d.click(d.button(grade, QStringLiteral("Grid")));
    d.chooseRow(grade->tray(), 0);
    d.settle();

    packages(d, folder);

    d.click(d.button(&d.window(), QStringLiteral("Batch")));
    d.chooseLook(QStringLiteral("Limelight"));
    d.type(d.named<QLineEdit>(&d.window(), QStringLiteral("Size")), QStringLiteral("1200"), true);
    d.click(d.button(&d.window(), QStringLiteral("Add")));
    QTest::qWait(900);
    std::filesystem::resize_file(d.folder() / "lake-fog.jpg", 30000); // one broken file: the rest goes on
    d.click(d.button(&d.window(), QStringLiteral("Start")));
    BatchPage* batch = d.window().batchPage();
    Driver::waitFor([&] { return batch->findChild<QProgressBar*>()->value() > 480; }, 60);
    save(&d.window(), folder, QStringLiteral("batch"));
    Driver::waitFor([&] { return !batch->isRunning(); }, 60);
    return 0;
}
