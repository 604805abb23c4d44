#pragma once
#include "app/app_state.h"
#include "app/package/colour_moves_view.h"
#include "app/widgets/readable.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/still_text.h"
#include "lut/bake.h"

#include <QThreadPool>

namespace baryton {

/// Pictures in rows: with one Look, with another, and how far the two are apart at each pixel.
class LooksBeside : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Row {
        QString name;
        QImage one, other, apart; ///< null until they are drawn
        std::optional<Difference> difference;
    };
    explicit LooksBeside(QWidget* parent = nullptr);
    void setRows(std::vector<Row> rows);
    const std::vector<Row>& shown() const { return rows_; }
    /// Where a picture lies, column 0…2.
    QRectF cell(std::size_t row, int column) const;
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void fit();
    std::vector<Row> rows_;
};

/// Two Looks, be they LUTs or presets, compared: on the check pictures and as their difference there, and over all
/// colours. What of them is no function of colour alone is not compared, and is named.
class TwoLooksSheet : public Sheet {
    Q_OBJECT
public:
    struct Named {
        QString name;
        Grade look;
    };
    /// On these pictures of the set, each with its own Prep.
    TwoLooksSheet(AppState& state, Named one, Named other, const std::vector<int>& pictures, QWidget* parent);
    ~TwoLooksSheet() override;
    LooksBeside* beside() const { return beside_; }
    ColourMovesView* colours() const { return colours_; }
    Segments* pages() const { return pages_; }
    const QString& said() const { return said_->text(); }
    bool isDone() const { return isDone_; }

private:
    struct On {
        QString name;
        SourceFile source;
        Picture small;
        Grade prep;
    };
    void workOut(std::vector<On> pictures);
    void showFigures(const Difference& cube);

    Named one_, other_;
    std::shared_ptr<OwnPixels> own_;
    Segments* pages_;
    LooksBeside* beside_;
    ColourMovesView* colours_;
    QLabel* scale_;
    StillText* said_;
    std::vector<LooksBeside::Row> rows_;
    std::shared_ptr<Task> task_ = std::make_shared<Task>();
    bool isDone_ = false;
    QThreadPool pool_;
};

} // namespace baryton
