// Makes the pictures of docs/screenshots: the real window on the demo set, each view after a little real work.
#include "app/driver.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "stages/examples.h"

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

/// Each stage at an example of what it does, on the picture that it is shown on.
void stageStrips(const QString& folder) {
    const std::pair<const char*, const char*> shown[] = {
        {"exposure", "backstage-mixed"},
        {"white-balance", "snow-yard"},
        {"warmth", "lake-fog"},
        {"tone", "lake-fog"},
        {"levels", "lake-fog"},
        {"curves", "workshop-window"},
        {"wheels", "lantern-alley"},
        {"split-tone", "portrait-light"},
        {"hue-bands", "meadow-cart"},
        {"push-table", "portrait-dark"},
        {"saturation", "red-curtain"},
        {"primaries", "chart-table"},
        {"channel-mix", "meadow-cart"},
        {"monochrome", "chart-table"},
        {"gradient-map", "dusk-horizon"},
        {"film-response", "workshop-window"},
        {"lut", "snow-yard"},
        {"vignette", "red-curtain"},
    };
    for (const auto& [type, picture] : shown) {
        const Picture source = readThumbnail(
            std::filesystem::path(BARYTON_SOURCE) / "demo/pictures" / (std::string(picture) + ".jpg"), 240);
        Grade grade;
        Stage stage = makeStage(grade, type);
        stage.parameters = exampleOf(type);
        grade.finish.push_back(stage);
        const QImage before = imageOf(Grade{}, source), after = imageOf(grade, source);
        QImage strip(before.width() * 2 + 4, before.height(), QImage::Format_RGB32);
        strip.fill(theme::colours().list);
        QPainter painter(&strip);
        painter.drawImage(0, 0, before);
        painter.drawImage(before.width() + 4, 0, after);
        painter.end();
        if (!strip.save(folder + u'/' + QString::fromLatin1(type) + QStringLiteral(".png")))
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
    d.click(d.named<QPushButton>(grade, QStringLiteral("Shelf")));
    QTest::qWait(1500);
    const auto index = grade->shelf()->list()->model()->index(1, 0);
    QTest::mouseMove(grade->shelf()->list()->viewport(), grade->shelf()->list()->visualRect(index).center());
    d.settle();
    save(&d.window(), folder, QStringLiteral("shelf"));
    d.chooseRow(grade->shelf()->list(), 1);
    d.settle();

    // A chain of many stages, with what they say of themselves.
    grade->showLeft(GradePage::Left::Tray);
    d.chooseRow(grade->tray(), row("workshop-window.jpg"));
    d.settle();
    d.chooseStage("saturation");
    for (const char* type : {"Hue bands", "Push table", "Film response"}) d.addStage(QString::fromLatin1(type));
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
