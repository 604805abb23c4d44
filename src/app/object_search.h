#pragma once
#include "base/task.h"
#include "grade/mask.h"
#include "render/view.h"

#include <QObject>
#include <QThreadPool>
#include <memory>
#include <optional>

namespace baryton {

/// Looks behind the window for objects that were drawn round. One at a time: a newer wish takes the place of the one
/// that is being looked for.
class ObjectSearch : public QObject {
    Q_OBJECT
public:
    /// What was drawn, and which shape of which mask it is for.
    struct Wish {
        int picture = -1; ///< of the set
        std::string layer;
        int shape = 0;
        MaskShape before; ///< as the grade has it
        MaskObject drawn;
    };
    explicit ObjectSearch(QObject* parent = nullptr);
    ~ObjectSearch() override;

    /// `source`: the picture as its file has it.
    void look(std::shared_ptr<const Pyramid> source, Wish wish);
    /// What is being looked for; nothing when nothing is.
    const std::optional<Wish>& wish() const { return wish_; }
    double progress() const { return progress_; } ///< 0…1
    void drop();

Q_SIGNALS:
    void progressed(); ///< a search began, went on or ended
    void found(const baryton::ObjectSearch::Wish& wish, const baryton::MaskObject& object);
    void failed(const QString& why);

private:
    std::optional<Wish> wish_;
    double progress_ = 0;
    std::shared_ptr<Task> task_;
    int count_ = 0; ///< of wishes, so that what comes late from an old one is dropped
    QThreadPool pool_;
};

} // namespace baryton
