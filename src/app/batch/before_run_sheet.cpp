#include "app/batch/before_run_sheet.h"
#include "app/widgets/labels.h"

#include <QLocale>
#include <QVBoxLayout>

namespace baryton {

BeforeRunSheet::BeforeRunSheet(const Foresight& seen, bool asks, QWidget* parent)
    : Sheet(tr("Before the run begins"), QStringLiteral("guide/batch#") + tr("Running"), parent) {
    auto* layout = rows();
    layout->setSpacing(10);
    const auto size = [](std::uintmax_t bytes) {
        return QLocale().formattedDataSize(static_cast<qint64>(bytes), 1, QLocale::DataSizeSIFormat);
    };
    if (seen.isTight()) {
        layout->addWidget(makeLabel(tr("There may not be enough room"), "heading"));
        addNote(
            tr("About %1 will be written, and %2 are free in that folder. Another folder, a smaller size or another "
               "format would help; a run that finds the disk full keeps what it has made and can go on later.")
                .arg(size(seen.bytes), size(seen.free)));
    }
    std::vector<QPushButton*> buttons;
    if (asks && seen.there > 0) {
        layout->addWidget(
            makeLabel(tr("%1 of %2 files are there already").arg(seen.there).arg(seen.files), "heading"));
        addNote(tr("Whichever you choose, pictures that you opened and what other programs wrote stay as they are."));
        const auto add = [&](const QString& text, const QString& tip, IfExists ifExists) {
            auto* button = makeButton(text, "");
            button->setToolTip(tip);
            buttons.push_back(button);
            connect(button, &QPushButton::clicked, this, [this, ifExists] {
                Q_EMIT chosen(ifExists);
                accept();
            });
        };
        add(tr("Number the new ones"), tr("The new files get a number behind their names"), IfExists::Number);
        add(tr("Skip them"), tr("What is there stays; only the others are made"), IfExists::Skip);
        add(tr("Replace them"), tr("What Baryton itself wrote is written over, never anything else"),
            IfExists::Replace);
    } else {
        auto* go = makeButton(tr("Start all the same"), "");
        buttons.push_back(go);
        connect(go, &QPushButton::clicked, this, [this] {
            Q_EMIT confirmed();
            accept();
        });
    }
    auto* stay = makeButton(tr("Do not start"), "primary");
    connect(stay, &QPushButton::clicked, this, &QDialog::reject);
    buttons.push_back(stay);
    for (QPushButton* each : buttons) layout->addWidget(each);
    stay->setDefault(true);
    setMinimumWidth(420);
}

} // namespace baryton
