#include "app/widgets/readable.h"

#include <QAccessibleWidget>

namespace baryton {

namespace {

class ReadableAccess : public QAccessibleWidget, public QAccessibleValueInterface {
public:
    ReadableAccess(QWidget* widget, Readable& readable)
        : QAccessibleWidget(widget, readable.readableRole()), readable_(readable) {}

    QString text(QAccessible::Text kind) const override {
        return kind == QAccessible::Value ? readable_.inWords() : QAccessibleWidget::text(kind);
    }
    void* interface_cast(QAccessible::InterfaceType type) override {
        if (type == QAccessible::ValueInterface && readable_.readableNumber())
            return static_cast<QAccessibleValueInterface*>(this);
        return QAccessibleWidget::interface_cast(type);
    }
    QVariant currentValue() const override { return number().now; }
    QVariant minimumValue() const override { return number().least; }
    QVariant maximumValue() const override { return number().most; }
    QVariant minimumStepSize() const override { return number().step; }
    void setCurrentValue(const QVariant& value) override { readable_.takeReadableNumber(value.toDouble()); }

private:
    Readable::Number number() const { return readable_.readableNumber().value_or(Readable::Number{0, 0, 0, 0}); }
    Readable& readable_;
};

QAccessibleInterface* makeAccess(const QString&, QObject* object) {
    auto* readable = dynamic_cast<Readable*>(object);
    return readable ? new ReadableAccess(static_cast<QWidget*>(object), *readable) : nullptr;
}

} // namespace

void installReadables() {
    static const bool once = [] {
        QAccessible::installFactory(makeAccess);
        return true;
    }();
    Q_UNUSED(once);
}

void announce(QWidget* readable) {
    if (!QAccessible::isActive()) return;
    QAccessibleValueChangeEvent event(readable, dynamic_cast<Readable*>(readable)->inWords());
    QAccessible::updateAccessibility(&event);
}

} // namespace baryton
