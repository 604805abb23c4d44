#pragma once
#include "app/preview_service.h"
#include "app/widgets/histogram_view.h"
#include "app/widgets/scope_view.h"
#include "app/widgets/segments.h"

#include <QPushButton>
#include <QStackedWidget>

namespace baryton {

/// Where the result is read: histogram, waveform, parade or vectorscope, at the end of the string. It can be made
/// larger and folded away.
class ScopePanel : public QWidget {
    Q_OBJECT
public:
    explicit ScopePanel(QWidget* parent = nullptr);
    /// As it was when the program was left: which scope, large, folded.
    void restoreLayout();

    PreviewRequest::Scope wanted() const;
    void show(const PreviewScopes& scopes);
    void setMarks(const QVector<ScopeMark>& marks);
    Segments* kinds() const { return kinds_; }
    ScopeView* vectorscope() const { return vectorscope_; }
    ScopeView* waveform() const { return waveform_; }
    ScopeView* parade() const { return parade_; }
    QPushButton* clips() const { return clips_; }
    QPushButton* fold() const { return fold_; }

Q_SIGNALS:
    void wantedChanged();
    void heightWanted(int height);
    void clipMarksToggled(bool on);

private:
    static constexpr int kHeight = 150, kLargeHeight = 300, kFoldedHeight = 40;
    void setFolded(bool folded);
    Segments* kinds_;
    QStackedWidget* views_;
    HistogramView* histogram_;
    ScopeView *waveform_, *parade_, *vectorscope_;
    QPushButton *clips_, *larger_, *fold_;
};

} // namespace baryton
