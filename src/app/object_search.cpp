#include "app/object_search.h"
#include "app/behind.h"
#include "render/find_object.h"

namespace baryton {

ObjectSearch::ObjectSearch(QObject* parent) : QObject(parent) {
    pool_.setMaxThreadCount(1); // each search uses all cores by itself
}

ObjectSearch::~ObjectSearch() {
    if (task_) task_->cancel();
    pool_.clear();
    waitFor(pool_);
}

void ObjectSearch::drop() {
    if (!wish_) return;
    task_->cancel();
    ++count_;
    wish_.reset();
    Q_EMIT progressed();
}

void ObjectSearch::look(std::shared_ptr<const Pyramid> source, Wish wish) {
    if (task_) task_->cancel();
    const int count = ++count_;
    wish_ = std::move(wish), progress_ = 0;
    task_ = std::make_shared<Task>([this, count](double done) {
        tellWindow(this, [this, count, done] {
            if (count != count_) return;
            progress_ = done;
            Q_EMIT progressed();
        });
    });
    Q_EMIT progressed();
    runBehind(pool_, [this, count, source = std::move(source), drawn = wish_->drawn, task = task_] {
        const auto end = [this, count](const auto& tell) {
            tellWindow(this, [this, count, tell] {
                if (count != count_) return;
                const Wish done = *wish_;
                wish_.reset();
                tell(done);
                Q_EMIT progressed();
            });
        };
        try {
            task->throwIfCancelled();
            const MaskObject object = foundObject(*source, drawn, task.get());
            end([this, object](const Wish& done) { Q_EMIT found(done, object); });
        } catch (const Cancelled&) {
            return; // a newer one is on its way
        } catch (const std::exception& e) {
            end([this, why = QString::fromStdString(e.what())](const Wish&) { Q_EMIT failed(why); });
        }
    });
}

} // namespace baryton
