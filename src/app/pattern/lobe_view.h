// SPDX-License-Identifier: GPL-3.0-or-later
// The gain in every direction as a body that can be turned. Painted by ourselves: it works where there is no
// graphics card.
#pragma once
#include <QWidget>
#include <array>
#include <memory>

#include "antenna/gain_table.h"

namespace yemvo::app {

class LobeView : public QWidget {
    Q_OBJECT
public:
    explicit LobeView(QWidget* parent = nullptr);
    /// In the antenna's own frame: up is up, its front to the right.
    void show_lobe(const Lobe&);
    /// Degrees that the view was turned by.
    void turn_by(double round_deg, double over_deg);
    double round_deg() const { return round_deg_; }
    double over_deg() const { return over_deg_; }

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    struct Corner {
        double x, y, depth;  ///< on the widget, towards the eye
        double db;
    };
    Corner project(Point3 right_front_up, double db) const;
    void paint_frame(QPainter&) const;
    void paint_body(QPainter&) const;
    void paint_scale(QPainter&) const;
    std::shared_ptr<const GainTable> table_;
    double round_deg_ = -35, over_deg_ = 22;
    QPointF held_;
};

}  // namespace yemvo::app
