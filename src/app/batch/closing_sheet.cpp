#include "app/batch/closing_sheet.h"
#include "app/widgets/labels.h"

#include <QVBoxLayout>

namespace baryton {

ClosingSheet::ClosingSheet(QWidget* parent)
    : Sheet(tr("A batch is running"), QStringLiteral("guide/batch#") + tr("Running"), parent) {
    auto* layout = rows();
    layout->setSpacing(10);
    layout->addWidget(makeLabel(tr("A batch is still running."), "heading"));
    addNote(tr("Whichever you choose, no file is left half written, and the next start knows what is "
               "made and goes on with the rest."))
        ->setMinimumWidth(380);
    auto* stop = makeButton(tr("Stop after the files in hand"), "");
    auto* background = makeButton(tr("Go on in the background"), "");
    background->setToolTip(tr("The window closes; the program ends by itself when all files are made"));
    auto* stay = makeButton(tr("Stay"), "primary");
    for (QPushButton* each : {stop, background, stay}) layout->addWidget(each);
    stay->setDefault(true);
    connect(stop, &QPushButton::clicked, this, [this] {
        Q_EMIT stopWanted();
        accept();
    });
    connect(background, &QPushButton::clicked, this, [this] {
        Q_EMIT backgroundWanted();
        accept();
    });
    connect(stay, &QPushButton::clicked, this, &QDialog::reject);
}

} // namespace baryton
