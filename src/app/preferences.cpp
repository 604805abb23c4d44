#include "app/preferences.h"
#include "app/desktop_profile.h"
#include "app/render_image.h"
#include "app/translation.h"
#include "app/widgets/labels.h"
#include "app/widgets/number_field.h"
#include "app/widgets/segments.h"
#include "base/error.h"
#include "base/file.h"

#include <QApplication>
#include <QColorSpace>
#include <QComboBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QPointer>
#include <QScreen>
#include <QVBoxLayout>
#include <memory>
#include <tbb/global_control.h>

namespace baryton {

void applySettings(const Settings& settings) {
    if (settings.theme != theme::kind())
        theme::install(*qobject_cast<QApplication*>(QCoreApplication::instance()), settings.theme);
    theme::setSurround(settings.surround);
    static std::unique_ptr<tbb::global_control> limit;
    limit.reset();
    if (settings.threads > 0)
        limit = std::make_unique<tbb::global_control>(tbb::global_control::max_allowed_parallelism,
                                                      static_cast<std::size_t>(settings.threads));
}

PreferencesSheet::PreferencesSheet(const QScreen* second, QWidget* parent)
    : Sheet(tr("Preferences"), QStringLiteral("guide/window#") + tr("Preferences"), parent),
      settings_(loadSettings()) {
    auto* layout = rows();
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
    addSegments(tr("Raw and JPEG"),
                tr("A raw file and the JPEG beside it that has its name, when their folder is opened"),
                {tr("One picture"), tr("Two")}, settings_.pairsAsOne ? 0 : 1,
                [](Settings& s, int i) { s.pairsAsOne = i == 0; });
    addMonitor(form, tr("Monitor profile"),
               tr("What the monitor makes of numbers; everything shown is fitted to it, files are not"),
               &Settings::monitor, parent ? parent->screen() : nullptr);
    addMonitor(form, tr("Second monitor profile"),
               tr("The same for the monitor that the second window, with the picture alone, stands on"),
               &Settings::secondMonitor, second);
    addLanguage(form);
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
        return field;
    };
    addNumber(tr("Memory for pictures, MB"),
              tr("Decoded pictures are kept up to this, so that going back to one is quick"), 100, 64000, 100,
              settings_.cacheMegabytes, [](Settings& s, int v) { s.cacheMegabytes = v; });
    addNumber(tr("Memory for one picture, MB"),
              tr("A picture that would take more is not opened; 0: three quarters of the machine's memory"), 0,
              1000000, 500, settings_.pictureMegabytes, [](Settings& s, int v) { s.pictureMegabytes = v; })
        ->setFormatter([](double v) { return v == 0 ? PreferencesSheet::tr("¾ of all") : QString::number(v); });
    addNumber(tr("Threads"), tr("0: all cores"), 0, 256, 1, settings_.threads, [](Settings& s, int v) {
        s.threads = v;
    })->setFormatter([](double v) { return v == 0 ? PreferencesSheet::tr("all cores") : QString::number(v); });
    addCloseFoot("primary");
}

void PreferencesSheet::addMonitor(QFormLayout* form, const QString& name, const QString& tip,
                                  MonitorWish Settings::*of, const QScreen* screen) {
    auto* rows = new QVBoxLayout;
    rows->setSpacing(4);
    auto* choice = new Segments({tr("The desktop's"), tr("sRGB"), tr("A file…")});
    choice->setAccessibleName(name);
    choice->setToolTip(tip);
    choice->setCurrent(static_cast<int>((settings_.*of).kind));
    auto* account = makeLabel({}, "second");
    account->setAccessibleName(tr("%1 in force").arg(name));
    rows->addWidget(choice);
    rows->addWidget(account);
    form->addRow(name, rows);
    const auto tell = [this, account, of, screen = QPointer(screen)] {
        fetchMonitorProfile(settings_.*of, screen, account,
                            [this, account, of, screen](const std::string& icc, const QString& problem) {
                                const QString called =
                                    icc.empty()
                                        ? QString()
                                        : QColorSpace::fromIccProfile(QByteArray::fromStdString(icc)).description();
                                QString text = problem;
                                if (text.isEmpty() && (settings_.*of).kind == MonitorWish::Kind::File)
                                    text = (settings_.*of).file;
                                if ((settings_.*of).kind == MonitorWish::Kind::Desktop)
                                    text = !screen            ? tr("closed now")
                                           : icc.empty()      ? tr("none set for this monitor: taken as sRGB")
                                           : called.isEmpty() ? tr("One of %1 bytes, without a name").arg(icc.size())
                                                              : called;
                                account->setText(text);
                                account->setVisible(!text.isEmpty());
                            });
    };
    tell();
    const auto set = [this, tell, of](const MonitorWish& wish) {
        take([&](Settings& s) { s.*of = wish; });
        tell();
    };
    connect(choice, &Segments::chosen, this, [this, set, choice, of](int index) {
        if (index < 2) return set({static_cast<MonitorWish::Kind>(index), (settings_.*of).file});
        auto* dialog = new QFileDialog(this, tr("Monitor profile"), {}, tr("ICC profiles (*.icc *.icm)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::ExistingFile);
        connect(dialog, &QFileDialog::fileSelected, this, [set](const QString& file) {
            set({MonitorWish::Kind::File, file});
        });
        connect(dialog, &QFileDialog::rejected, this,
                [this, choice, of] { choice->setCurrent(static_cast<int>((settings_.*of).kind)); });
        dialog->open();
    });
}

void PreferencesSheet::addLanguage(QFormLayout* form) {
    auto* choice = new QComboBox;
    choice->setAccessibleName(tr("Language"));
    choice->addItem(tr("The system's"), QString());
    for (const QString& code : languages()) choice->addItem(languageName(code), code);
    choice->setCurrentIndex(std::max(0, choice->findData(settings_.language)));
    auto* account = makeLabel({}, "second");
    const auto tell = [this, account, running = settings_.language] {
        account->setText(settings_.language == running ? QString() : tr("from the next start on"));
    };
    auto* row = new QHBoxLayout;
    row->addWidget(choice);
    row->addWidget(account, 1);
    form->addRow(tr("Language"), row);
    connect(choice, &QComboBox::activated, this, [this, choice, tell] {
        take([&](Settings& s) { s.language = choice->currentData().toString(); });
        tell();
    });
}

void PreferencesSheet::take(const std::function<void(Settings&)>& change) {
    change(settings_);
    saveSettings(settings_);
    Q_EMIT changed(settings_);
}

} // namespace baryton
