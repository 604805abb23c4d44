#include "app/crash_sheet.h"
#include "app/widgets/labels.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QPlainTextEdit>
#include <QVBoxLayout>

namespace baryton {

CrashSheet::CrashSheet(const std::vector<BrokenRun>& runs, QWidget* parent)
    : Sheet(tr("The last time"), QStringLiteral("guide/window#") + tr("After a crash"), parent) {
    setMinimumWidth(520);
    const BrokenRun& last = runs.back();
    rows()->addWidget(makeLabel(tr("Baryton ended without being closed."), "heading"));
    addNote(tr("Grades are kept as you work: nothing of them is lost, and a batch goes on where it was."));
    QStringList names;
    for (const auto& path : last.open) names.append(QString::fromStdString(path.filename().string()));
    if (names.size() > 3) names = {names[0], names[1], tr("%n more", nullptr, int(names.size() - 2))};
    if (!names.isEmpty()) rows()->addWidget(new QLabel(tr("Open was: %1").arg(names.join(QStringLiteral(", ")))));
    QPushButton* copy = nullptr;
    if (last.report.empty()) {
        addNote(tr("It was ended from outside, or the power went: there is no report."));
    } else {
        addNote(tr("What is known of it. Nothing is sent anywhere; whoever mends the program can use it."));
        auto* report = new QPlainTextEdit(QString::fromStdString(last.report));
        report->setReadOnly(true);
        report->setAccessibleName(tr("Report"));
        report->setLineWrapMode(QPlainTextEdit::NoWrap);
        report->setMinimumHeight(140);
        rows()->addWidget(report, 1);
        copy = makeButton(tr("Copy the report"), "");
        connect(copy, &QPushButton::clicked, this,
                [text = report->toPlainText()] { QGuiApplication::clipboard()->setText(text); });
    }
    if (last.open.empty()) {
        addCloseFoot("primary", copy);
        return;
    }
    auto* open = makeButton(tr("Open it again"), "primary");
    connect(open, &QPushButton::clicked, this, [this, paths = last.open] {
        accept();
        Q_EMIT openWanted(paths);
    });
    addFoot(open, copy);
}

} // namespace baryton
