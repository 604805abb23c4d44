#pragma once
#include <QPushButton>
#include <QScrollArea>

namespace baryton {

/// The chain where it is longer than its room: a button at each end beyond which there is more, which goes there.
class ChainScroll : public QScrollArea {
    Q_OBJECT
public:
    explicit ChainScroll(QWidget* chain, QWidget* parent = nullptr);
    QPushButton* earlier() const { return earlier_; }
    QPushButton* later() const { return later_; }

protected:
    void resizeEvent(QResizeEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    void update();
    QPushButton *earlier_, *later_;
};

} // namespace baryton
