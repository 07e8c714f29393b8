// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet on the preparation page: looked at, turned level, cropped.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/drawings/drawing_runner.h"
#include "geometry/point.h"
#include "render/drawings/drawing_layer.h"

namespace yemvo::app {

class SheetCanvas : public QWidget {
    Q_OBJECT
public:
    enum class Mode { crop, level };
    explicit SheetCanvas(QWidget* parent = nullptr);

    void set_sheet(const render::LaidSheet&);
    /// Changed look, turn or layers of the same sheet; the view stays.
    void change(const render::LaidSheet&);
    void set_mode(Mode);
    Mode mode() const { return mode_; }
    /// Crop corners in sheet coordinates; empty: all of it.
    std::vector<Point> crop() const;
    void clear_crop();
    void fit();
    bool is_idle() const { return runner_->is_idle(); }
    /// Where a place of the sheet is shown, for tests.
    QPointF px(Point sheet) const;

signals:
    void crop_changed();
    /// A line that ought to be level or upright was picked: turn by this much, counter-clockwise.
    void level_asked(double turn_deg);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    /// Which edges of the crop frame are held: -1 low, 1 high, 0 neither; both 0 with `whole`: all of it.
    struct Grip {
        int x = 0, y = 0;
        bool whole = false, fresh = false;
    };
    Box turned_box() const;
    std::optional<Grip> grip_at(QPointF) const;
    void request();
    void set_map(const render::PlanMap&);
    render::LaidSheet sheet_;
    render::PlanMap map_;
    bool fitted_ = true;
    DrawingRunner* runner_;
    PaintedView view_;
    QString fault_;
    Mode mode_ = Mode::crop;
    std::optional<Box> frame_;  ///< the crop, in the turned sheet (y up)
    std::optional<Grip> grip_;
    Point held_from_;
    Box frame_before_;
    std::optional<Point> level_from_;
    QPointF pointer_;
    std::optional<QPointF> panning_;
};

}  // namespace yemvo::app
