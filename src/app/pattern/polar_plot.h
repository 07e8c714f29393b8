// SPDX-License-Identifier: GPL-3.0-or-later
// One cut of a pattern on a round chart.
#pragma once
#include <QWidget>
#include <optional>

#include "antenna/pattern/cuts.h"
#include "wireless/band.h"

namespace yemvo::app {

/// Where charts and lobes of antennas end.
inline constexpr double least_shown_db = -30;
/// Degrees as people read them: to both sides of the front.
inline int to_both_sides(int degree) { return degree > 180 ? degree - 360 : degree; }

class PolarPlot : public QWidget {
    Q_OBJECT
public:
    enum class Which { azimuth, elevation };
    explicit PolarPlot(Which, QWidget* parent = nullptr);
    /// In the colour of the band that it is of.
    void show_cut(const Cut&, BandId);
    /// What is told in words: for tests and screen readers.
    QString words() const;
    /// The direction under a place of the widget, as the cut counts it; none outside of the rings.
    std::optional<int> degree_at(QPointF) const;

protected:
    void paintEvent(QPaintEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;

private:
    struct Frame;
    Frame frame() const;
    void point_at(int degree);
    void paint_rings(QPainter&, const Frame&) const;
    void paint_curve(QPainter&, const Frame&) const;
    void paint_width(QPainter&, const Frame&) const;
    void paint_pointed(QPainter&, const Frame&) const;
    Which which_;
    std::optional<Cut> cut_;
    BandId band_ = band_5;
    int pointed_ = -1;
};

}  // namespace yemvo::app
