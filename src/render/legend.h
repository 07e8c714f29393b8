// SPDX-License-Identifier: GPL-3.0-or-later
// The legend of a map: its steps, the histogram of area above them, and the threshold as a handle.
#pragma once
#include <QPainter>
#include <QRectF>

#include "render/heat_map.h"

namespace yemvo::render {

/// Shares of shown area by step of the lens, and the share that keeps the threshold.
struct MapStatistics {
    std::vector<double> by_step;  ///< twelve for an amount
    double share_kept = 0;
    double share_better = 0, share_worse = 0;  ///< of a change: beyond its middle step
    struct Area {
        int number;  ///< of the access point, or the band's index
        double area_m2;
        std::size_t tint;  ///< into Palette::serving; of a band its index
    };
    std::vector<Area> areas;  ///< serving lens, largest first
};
MapStatistics statistics(const FloorPrediction&, const std::vector<float>& values, const MapChoice&);

/// The map's figures written on it, one every 64 px or so, where cells are shown. For print.
void paint_value_labels(QPainter&, const FloorPrediction&, const std::vector<float>& values, const MapChoice&,
                        const PlanMap&, QSizeF size, const Palette&);

class LegendLayout {
public:
    /// `corner`: the lower right corner of the free area; the legend keeps 8 px off it.
    LegendLayout(QPointF corner, const MapChoice&);
    QRectF frame() const { return frame_; }
    QRectF strip() const { return strip_; }
    bool has_handle() const { return !scale_.is_choice && !scale_.is_change; }
    /// What the map shows in words, as "Signal, 5 GHz".
    QString title() const;
    void set_other(const QString& name) { other_ = name; }  ///< what a change is held against
    QRectF handle() const;                                  ///< where the tag can be taken
    double value_at(double x) const;
    double x_of(double value) const;
    void paint(QPainter&, const MapStatistics&, const Palette&) const;

private:
    void paint_amounts(QPainter&, const MapStatistics&, const Palette&) const;
    void paint_choices(QPainter&, const MapStatistics&, const Palette&) const;
    void paint_steps(QPainter&, const MapStatistics&, const Palette&) const;
    void paint_ticks(QPainter&, const Palette&) const;
    void paint_handle(QPainter&, const Palette&) const;
    QString kept_words(const MapStatistics&, bool short_form) const;
    const LensInfo& info_;
    MapScale scale_;
    MapChoice choice_;
    QString other_;
    QRectF frame_, strip_;
};

}  // namespace yemvo::render
