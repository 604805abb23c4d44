#include "app/package/lut_health_view.h"
#include "app/behind.h"
#include "app/widgets/labels.h"
#include "lut/health.h"

#include <QVBoxLayout>

namespace baryton {

LutHealthView::LutHealthView(int lines, QWidget* parent)
    : QWidget(parent), text_(new StillText(lines)), remedy_(makeButton({}, "")) {
    pool_.setMaxThreadCount(1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(text_);
    QSizePolicy stays = remedy_->sizePolicy();
    stays.setRetainSizeWhenHidden(true);
    remedy_->setSizePolicy(stays);
    remedy_->hide();
    connect(remedy_, &QPushButton::clicked, this, [this] { Q_EMIT readAsWanted(madeFor_); });
    layout->addWidget(remedy_, 0, Qt::AlignLeft);
    layout->addStretch(1);
}

LutHealthView::~LutHealthView() {
    waitFor(pool_);
}

void LutHealthView::show(const QString& text, const std::string& madeFor) {
    text_->setText(text);
    madeFor_ = madeFor;
    remedy_->setVisible(!madeFor.empty());
}

void LutHealthView::setLut(std::shared_ptr<const LutTable> table, const LutUse& use) {
    if (table == table_ && use == use_) return;
    table_ = std::move(table), use_ = use;
    if (!table_) return show({}, {});
    show(tr("Being looked at…"), {});
    runBehind(pool_, [this, judged = table_, use] {
        const LutHealth health = healthOf(*judged, use);
        tellWindow(this, [this, judged, use, health] {
            if (judged != table_ || !(use == use_)) return; // another one meanwhile
            QStringList lines;
            for (const auto& sentence : health.sentences)
                lines.append(QStringLiteral("· ") + QString::fromStdString(sentence));
            const auto* space =
                health.seemsMadeFor ? &encodings()[static_cast<std::size_t>(*health.seemsMadeFor)] : nullptr;
            if (space) remedy_->setText(tr("Read it as %1").arg(QString::fromStdString(space->name)));
            show(lines.isEmpty() ? tr("Nothing stands out: no clipping, no folds, greys stay grey.")
                                 : lines.join(u'\n'),
                 space ? space->id : std::string());
        });
    });
}

} // namespace baryton
