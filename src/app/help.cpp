#include "app/help.h"
#include "app/keys.h"
#include "app/widgets/labels.h"

#include <QCoreApplication>
#include <QDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QIcon>

namespace baryton {

void showKeys(QWidget* parent) {
    const auto tr = [](const char* text) { return QCoreApplication::translate("baryton", text); };
    auto* dialog = new QDialog(parent);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Keys"));
    auto* grid = new QGridLayout(dialog);
    grid->setContentsMargins(20, 16, 20, 16);
    grid->setHorizontalSpacing(18);
    grid->setVerticalSpacing(4);
    int row = 0;
    const int half = static_cast<int>(keyCommands().size() + 1) / 2;
    for (const KeyCommand& command : keyCommands()) {
        if (!*command.key) continue;
        const int column = row < half ? 0 : 2;
        grid->addWidget(new QLabel(keyText(command.text)), row % half, column);
        grid->addWidget(makeLabel(QString::fromLatin1(command.key), "accent"), row % half, column + 1);
        ++row;
    }
    row = half;
    grid->setRowMinimumHeight(row++, 12);
    for (const auto& [what, how] : focusKeys()) {
        grid->addWidget(makeLabel(keyText(what), "accent"), row, 0);
        auto* text = new QLabel(keyText(how));
        text->setWordWrap(true);
        grid->addWidget(text, row++, 1, 1, 3);
    }
    dialog->resize(640, dialog->sizeHint().height());
    dialog->open();
}

void showAbout(QWidget* parent, const std::filesystem::path& presets) {
    const auto tr = [](const char* text) { return QCoreApplication::translate("baryton", text); };
    auto* dialog = new QDialog(parent);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("About Baryton"));
    auto* row = new QHBoxLayout(dialog);
    row->setContentsMargins(24, 20, 24, 20);
    row->setSpacing(18);
    auto* mark = new QLabel;
    mark->setPixmap(parent->windowIcon().pixmap(64, 64));
    row->addWidget(mark, 0, Qt::AlignTop);
    auto* text = new QLabel(
        tr("<b>Baryton</b><br>A colour style made on one picture, kept, and put on whole sets.<br><br>"
           "Presets are kept in %1<br>Free software under the GNU General Public License, version 3 or later.<br>"
           "The typeface is Inter, under the SIL Open Font License.")
            .arg(QString::fromStdString(presets.string()).toHtmlEscaped()));
    row->addWidget(text);
    dialog->open();
}

} // namespace baryton
