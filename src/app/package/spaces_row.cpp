#include "app/package/spaces_row.h"

#include <QHBoxLayout>
#include <QLabel>

namespace baryton {

SpacesRow::SpacesRow(QWidget* parent) : QWidget(parent), reads_(new QComboBox), writes_(new QComboBox) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->addStretch(1);
    row->addWidget(reads_);
    row->addWidget(new QLabel(QStringLiteral("→")));
    row->addWidget(writes_);
    reads_->setAccessibleName(tr("Reads"));
    writes_->setAccessibleName(tr("Writes"));
    reads_->setToolTip(tr("The space of the numbers that the LUT will be given, where it is worn"));
    writes_->setToolTip(tr("The space of the numbers that it gives there"));
    for (QComboBox* box : {reads_, writes_}) {
        for (const EncodingType& type : encodings()) box->addItem(QString::fromStdString(type.name));
        connect(box, &QComboBox::activated, this, &SpacesRow::chosen);
    }
}

LutSpaces SpacesRow::spaces() const {
    return {static_cast<Encoding>(reads_->currentIndex()), static_cast<Encoding>(writes_->currentIndex())};
}

} // namespace baryton
