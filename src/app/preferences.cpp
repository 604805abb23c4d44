#include "app/preferences.h"
#include "app/render_image.h"
#include "app/widgets/labels.h"
#include "app/widgets/number_field.h"
#include "app/widgets/segments.h"
#include "base/error.h"
#include "base/file.h"

#include <QApplication>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <memory>
#include <tbb/global_control.h>

namespace baryton {

QString applySettings(const Settings& settings) {
    if (settings.theme != theme::kind())
        theme::install(*qobject_cast<QApplication*>(QCoreApplication::instance()), settings.theme);
    theme::setSurround(settings.surround);
    static std::unique_ptr<tbb::global_control> limit;
    limit.reset();
    if (settings.threads > 0)
        limit = std::make_unique<tbb::global_control>(tbb::global_control::max_allowed_parallelism,
                                                      static_cast<std::size_t>(settings.threads));
    try {
        constexpr std::size_t mostProfileBytes = 16 << 20;
        setMonitorProfile(settings.monitorProfile.isEmpty()
                              ? std::string()
                              : readFile(settings.monitorProfile.toStdString(), mostProfileBytes));
    } catch (const Error& e) {
        setMonitorProfile({});
        return QString::fromStdString(e.file().empty() ? e.inFile(settings.monitorProfile.toStdString()).what()
                                                       : e.what());
    }
    return {};
}

PreferencesSheet::PreferencesSheet(QWidget* parent) : QDialog(parent), settings_(loadSettings()) {
    setWindowTitle(tr("Preferences"));
    setAttribute(Qt::WA_DeleteOnClose);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 16, 20, 16);
    layout->setSpacing(12);
    auto* form = new QFormLayout;
    form->setHorizontalSpacing(16);
    form->setVerticalSpacing(10);
    form->setLabelAlignment(Qt::AlignLeft);
    layout->addLayout(form);
    const auto addSegments = [&](const QString& name, const QString& tip, const QStringList& words, int current,
                                 auto set) {
        auto* choice = new Segments(words);
        choice->setAccessibleName(name);
        choice->setToolTip(tip);
        choice->setCurrent(current);
        form->addRow(name, choice);
        connect(choice, &Segments::chosen, this,
                [this, set](int index) { take([&](Settings& s) { set(s, index); }); });
    };
    addSegments(tr("Theme"), tr("The window's own colours; greys are neutral in both"), {tr("Dark"), tr("Light")},
                settings_.theme == theme::Kind::Dark ? 0 : 1,
                [](Settings& s, int i) { s.theme = i == 0 ? theme::Kind::Dark : theme::Kind::Light; });
    addSegments(tr("Surround"), tr("How light the ground around the picture is"),
                {tr("Dark"), tr("Middle"), tr("Light")}, static_cast<int>(settings_.surround),
                [](Settings& s, int i) { s.surround = static_cast<theme::Surround>(i); });
    addSegments(tr("Before means"), tr("What comparisons begin with"), {tr("Source"), tr("Prep only")},
                settings_.beforeIsPrep ? 1 : 0, [](Settings& s, int i) { s.beforeIsPrep = i == 1; });
    auto* profile = new QHBoxLayout;
    auto* name = new QLabel(settings_.monitorProfile.isEmpty() ? tr("sRGB") : settings_.monitorProfile);
    name->setMaximumWidth(260);
    name->setToolTip(settings_.monitorProfile);
    auto* choose = makeButton(tr("Choose…"), "");
    choose->setAccessibleName(tr("Choose a monitor profile"));
    auto* none = makeButton(tr("sRGB"), "flat");
    profile->addWidget(name, 1);
    profile->addWidget(choose);
    profile->addWidget(none);
    form->addRow(tr("Monitor profile"), profile);
    const auto setProfile = [this, name](const QString& file) {
        take([&](Settings& s) { s.monitorProfile = file; });
        name->setText(file.isEmpty() ? tr("sRGB") : file);
    };
    connect(choose, &QPushButton::clicked, this, [this, setProfile] {
        auto* dialog = new QFileDialog(this, tr("Monitor profile"), {}, tr("ICC profiles (*.icc *.icm)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::ExistingFile);
        connect(dialog, &QFileDialog::fileSelected, this, setProfile);
        dialog->open();
    });
    connect(none, &QPushButton::clicked, this, [setProfile] { setProfile({}); });
    const auto addNumber = [&](const QString& label, const QString& tip, int low, int high, int step, int value,
                               auto set) {
        auto* field = new NumberField;
        field->setAccessibleName(label);
        field->setToolTip(tip);
        field->setRange(low, high, step);
        field->setValue(value);
        field->setFixedWidth(80);
        form->addRow(label, field);
        connect(field, &NumberField::edited, this, [this, set](double v, bool) {
            take([&](Settings& s) { set(s, static_cast<int>(std::lround(v))); });
        });
    };
    addNumber(tr("Memory for pictures, MB"),
              tr("Decoded pictures are kept up to this, so that going back to one is quick"), 100, 64000, 100,
              settings_.cacheMegabytes, [](Settings& s, int v) { s.cacheMegabytes = v; });
    addNumber(tr("Threads"), tr("0: all cores"), 0, 256, 1, settings_.threads,
              [](Settings& s, int v) { s.threads = v; });
    auto* close = makeButton(tr("Close"), "primary");
    layout->addWidget(close, 0, Qt::AlignRight);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
}

void PreferencesSheet::take(const std::function<void(Settings&)>& change) {
    change(settings_);
    saveSettings(settings_);
    Q_EMIT changed(settings_);
}

} // namespace baryton
