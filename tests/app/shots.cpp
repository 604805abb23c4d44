// Makes the pictures of docs/screenshots: the real window on the demo set, each view after a little real work.
#include "app/driver.h"
#include "app/render_image.h"
#include "app/theme/theme.h"

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

/// A setting of each stage that shows what it does, and the picture it is shown on.
void stageStrips(const QString& folder) {
    using Values = std::map<std::string, Value>;
    const auto negative = [] { // plain to see
        LutTable table;
        for (int i = 0; i < 8; ++i)
            for (int k = 0; k < 3; ++k) table.grid.push_back((i >> k) % 2 ? 0.15F : 0.9F);
        return std::make_shared<const LutTable>(table);
    }();
    struct Shown {
        const char* type;
        const char* picture;
        Values values;
    };
    const Shown shown[] = {
        {"exposure", "backstage-mixed", {{"stops", 1.3}}},
        {"white-balance", "snow-yard", {{"temperature", 10500.0}}},
        {"warmth", "lake-fog", {{"warmth", 40.0}}},
        {"tone", "lake-fog", {{"contrast", 0.8}, {"black.end", -0.6}, {"white.end", 0.5}}},
        {"levels", "lake-fog", {{"rgb.in.black", 0.25}, {"rgb.in.white", 0.8}, {"rgb.gamma", 1.2}}},
        {"curves", "workshop-window", {{"rgb", Curve{{0, 0.06}, {0.25, 0.18}, {0.7, 0.78}, {1, 0.97}}}}},
        {"wheels",
         "lantern-alley",
         {{"shadows.hue", 350.0}, {"shadows.amount", 0.4}, {"highlights.hue", 150.0}, {"highlights.amount", 0.3}}},
        {"split-tone",
         "portrait-light",
         {{"shadows.hue", 340.0}, {"shadows.amount", 0.4}, {"highlights.hue", 130.0}, {"highlights.amount", 0.3}}},
        {"hue-bands",
         "meadow-cart",
         {{"band5.centre", 130.0}, {"band5.width", 60.0}, {"band5.shift", -40.0}, {"band5.saturation", -0.2}}},
        {"push-table",
         "portrait-dark",
         {{"row1.yellow.blue", 0.5}, {"row3.yellow.blue", -0.5}, {"row2.density", 0.2}}},
        {"saturation", "red-curtain", {{"overall", -0.6}, {"guard.hue", 29.0}, {"guard.strength", 1.0}}},
        {"primaries", "chart-table", {{"red.turn", 20.0}, {"green.turn", -20.0}, {"blue.reach", -0.3}}},
        {"channel-mix", "meadow-cart", {{"green.from.green", 0.5}, {"green.from.red", 0.5}}},
        {"monochrome", "chart-table", {{"amount", 1.0}, {"red.lightness", 0.8}, {"blue.lightness", -0.8}}},
        {"gradient-map",
         "dusk-horizon",
         {{"amount", 0.8},
          {"stop1.r", 0.12},
          {"stop1.g", 0.16},
          {"stop1.b", 0.12},
          {"stop2.r", 0.98},
          {"stop2.g", 0.82},
          {"stop2.b", 0.78}}},
        {"film-response", "workshop-window", {{"response", std::string("fairground")}}},
        {"lut", "snow-yard", {{"file", LutContent{"negative", negative}}}},
        {"vignette", "red-curtain", {{"stops", -1.5}}},
    };
    for (const auto& each : shown) {
        const Picture source = readThumbnail(
            std::filesystem::path(BARYTON_SOURCE) / "demo/pictures" / (std::string(each.picture) + ".jpg"), 240);
        Grade grade;
        Stage stage = makeStage(grade, each.type);
        stage.parameters = each.values;
        grade.finish.push_back(stage);
        const QImage before = imageOf(Grade{}, source), after = imageOf(grade, source);
        QImage strip(before.width() * 2 + 4, before.height(), QImage::Format_RGB32);
        strip.fill(theme::colours().surround);
        QPainter painter(&strip);
        painter.drawImage(0, 0, before);
        painter.drawImage(before.width() + 4, 0, after);
        painter.end();
        if (!strip.save(folder + u'/' + QString::fromLatin1(each.type) + QStringLiteral(".png")))
            qFatal("cannot write a strip");
    }
}

int main(int argc, char** argv) {
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen"); // no monitor is needed
    QApplication application(argc, argv);
    theme::install(application);
    const QString folder = argc > 1 ? QString::fromLocal8Bit(argv[1]) : QStringLiteral(".");
    if (argc > 2) stageStrips(QString::fromLocal8Bit(argv[2]));
    Driver d;
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
    d.drag(wheels->wheel(0), wheels->wheel(0)->puck(), wheels->wheel(0)->discPoint(350, 0.35));
    d.drag(wheels->wheel(2), wheels->wheel(2)->puck(), wheels->wheel(2)->discPoint(150, 0.22));
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
            if (label->text().contains(QStringLiteral("Fidelity"))) return true;
        return false;
    });
    saveWithSheet(d.window(), sheet, folder, QStringLiteral("export-lut"));
    d.click(d.button(sheet, QStringLiteral("Close")));

    // The shelf, one preset tried by the pointer.
    d.click(d.button(grade, QStringLiteral("Wipe")));
    d.chooseRow(grade->tray(), row("meadow-cart.jpg"));
    d.settle();
    d.chooseStage("saturation");
    d.click(d.button(grade, QStringLiteral("Shelf")));
    QTest::qWait(1500);
    const auto index = grade->shelf()->list()->model()->index(1, 0);
    QTest::mouseMove(grade->shelf()->list()->viewport(), grade->shelf()->list()->visualRect(index).center());
    d.settle();
    save(&d.window(), folder, QStringLiteral("shelf"));
    d.chooseRow(grade->shelf()->list(), 1);
    d.settle();

    // A chain of many stages, with what they say of themselves.
    grade->showShelf(false);
    d.chooseRow(grade->tray(), row("workshop-window.jpg"));
    d.settle();
    d.chooseStage("saturation");
    for (const char* type : {"Hue bands", "Push table", "Film response"}) {
        for (QMenu* menu : d.window().findChildren<QMenu*>())
            if (menu->title() == QStringLiteral("Add a stage"))
                for (QAction* action : menu->actions())
                    if (action->text() == QLatin1String(type)) action->trigger();
        QTest::qWait(50);
    }
    QTest::qWait(900);
    save(&d.window(), folder, QStringLiteral("grade-film"));

    d.click(d.button(&d.window(), QStringLiteral("Package")));
    QTest::qWait(3500);
    save(&d.window(), folder, QStringLiteral("package"));

    d.click(d.button(&d.window(), QStringLiteral("Batch")));
    for (auto* box : d.window().batchPage()->findChildren<QCheckBox*>())
        if (box->text() == QStringLiteral("Limelight")) d.click(box, {8, box->height() / 2.0});
    QTest::qWait(50);
    std::filesystem::resize_file(d.folder() / "lake-fog.jpg", 30000); // one broken file: the rest goes on
    d.click(d.button(&d.window(), QStringLiteral("Start")));
    BatchPage* batch = d.window().batchPage();
    Driver::waitFor([&] { return batch->findChild<QProgressBar*>()->value() > 480; }, 60);
    save(&d.window(), folder, QStringLiteral("batch"));
    Driver::waitFor([&] { return !batch->isRunning(); }, 60);
    return 0;
}
