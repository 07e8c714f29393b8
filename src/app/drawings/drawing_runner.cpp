#include "app/drawings/drawing_runner.h"

#include <QPainter>
#include <cmath>

namespace yemvo::app {

DrawingRunner::DrawingRunner(QObject* parent) : QObject(parent), thread_([this] { work(); }) {}

DrawingRunner::~DrawingRunner() {
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
        running_.cancel();
    }
    wake_.notify_all();
    thread_.join();
}

void DrawingRunner::request(Paint paint, const render::PlanMap& map, double ratio) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = Job{std::move(paint), map, ratio};
        running_.cancel();
    }
    wake_.notify_all();
}

bool DrawingRunner::is_idle() const {
    const std::lock_guard lock(mutex_);
    return !busy_ && !waiting_;
}

void DrawingRunner::work() {
    for (;;) {
        Job job;
        CancelToken token;
        {
            std::unique_lock lock(mutex_);
            busy_ = false;
            wake_.wait(lock, [this] { return stop_ || waiting_; });
            if (stop_) return;
            job = std::move(*waiting_);
            waiting_.reset();
            running_ = token;
            busy_ = true;
        }
        try {
            const QImage image = job.paint(token);
            emit painted({image, job.map, job.ratio});
        } catch (const Cancelled&) {
            // a newer view is wanted
        } catch (const std::exception& fault) {
            emit failed(QString::fromUtf8(fault.what()));
        }
    }
}

void draw_view(QPainter& p, const PaintedView& view, const render::PlanMap& now) {
    if (view.image.isNull()) return;
    const double ratio = view.ratio, scale = now.px_per_m * ratio / view.map.px_per_m;
    // the image's corner, in the logical pixels of the present view
    const QPointF corner = now.origin - view.map.origin * (scale / ratio);
    const QSizeF size = QSizeF(view.image.size()) * (scale / ratio);
    if (std::abs(scale - 1) < 1e-9) {
        const QPointF whole(std::round(corner.x() * ratio) / ratio, std::round(corner.y() * ratio) / ratio);
        p.drawImage(QRectF(whole, size), view.image);
        return;
    }
    p.save();
    p.setRenderHint(QPainter::SmoothPixmapTransform, false);
    p.drawImage(QRectF(corner, size), view.image);
    p.restore();
}

}  // namespace yemvo::app
