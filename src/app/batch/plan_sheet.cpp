#include "app/batch/plan_sheet.h"
#include "app/batch/output_panel.h"
#include "app/widgets/labels.h"

#include <QGridLayout>

namespace baryton {

namespace {

/// Of so many pictures it is looked whether they are there: a plan may name very many on a slow disk.
constexpr std::size_t kMostLookedFor = 1000;

int missingPictures(const BatchPlan& plan) {
    int missing = 0;
    for (std::size_t i = 0; i < std::min(plan.pictures.size(), kMostLookedFor); ++i) {
        std::error_code ignored;
        missing += !std::filesystem::exists(plan.pictures[i], ignored);
    }
    return missing;
}

} // namespace

PlanSheet::PlanSheet(const NamedPlan& named, QWidget* parent)
    : Sheet(tr("Run a plan"), QStringLiteral("guide/batch#") + tr("Plans"), parent) {
    const BatchPlan& plan = named.plan;
    rows()->addWidget(makeLabel(QString::fromStdString(named.name), "heading"));
    QStringList looks, files;
    for (const BatchLook& look : plan.looks)
        looks.append(look.ownGrade && look.take.empty() ? tr("Own grade") : QString::fromStdString(look.name));
    for (const OutputSettings& output : plan.outputs) files.append(outputWords(output));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(1, 1);
    const auto add = [&](const QString& name, const QString& text, const char* role = "") {
        const int row = grid->rowCount();
        grid->addWidget(makeLabel(name, "second"), row, 0, Qt::AlignTop);
        auto* value = makeLabel(text, role);
        value->setTextFormat(Qt::PlainText);
        value->setWordWrap(true);
        grid->addWidget(value, row, 1);
    };
    const auto leftOut =
        std::count_if(plan.wishes.begin(), plan.wishes.end(), [](const auto& w) { return w.second.isLeftOut; });
    const auto pictures = static_cast<qsizetype>(plan.pictures.size());
    add(tr("Pictures"), counted(pictures, tr("picture"), tr("pictures")) + QStringLiteral(" → ") +
                            counted((pictures * looks.size() - leftOut) * files.size(), tr("file"), tr("files")));
    if (const int missing = missingPictures(plan); missing > 0)
        add(QString(), tr("%n of the pictures are not there; the others are made", nullptr, missing), "error");
    add(tr("Looks"), looks.join(QStringLiteral(", ")));
    if (plan.prep == PrepChoice::Matched)
        add(tr("Prep"), tr("matched to %1").arg(QString::fromStdString(plan.matchedTo.filename().string())));
    add(tr("Files"), files.join(QLatin1Char('\n')));
    add(tr("Folder"), QString::fromStdString(plan.folder.string()));
    rows()->addLayout(grid);
    rows()->addSpacing(8);
    auto* watch = makeButton(tr("Watch a folder with it…"), "");
    watch->setToolTip(tr("What arrives in a folder is made as the plan says; its own pictures are of no account"));
    auto* run = makeButton(tr("Run"), "primary");
    addFoot(run, watch);
    connect(watch, &QPushButton::clicked, this, [this] {
        accept();
        Q_EMIT watchWanted();
    });
    connect(run, &QPushButton::clicked, this, [this] {
        accept();
        Q_EMIT runWanted();
    });
    setMinimumWidth(480);
}

} // namespace baryton
