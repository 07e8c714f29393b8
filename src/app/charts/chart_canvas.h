// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet with what was found on it: rings and angles with handles, the curve that was followed, a lens.
#pragma once
#include <QWidget>
#include <optional>

#include "app/charts/chart_sheet.h"
#include "wireless/band.h"

namespace yemvo::app {

class ChartCanvas : public QWidget {
    Q_OBJECT
public:
    explicit ChartCanvas(QWidget* parent = nullptr);
    /// `sheet` must live while it is shown; null: none.
    void show_sheet(const ChartSheet* sheet, int chosen);
    /// The same sheet changed; the view stays.
    void changed(int chosen);
    /// Curves are drawn in its colour.
    void set_band(BandId);
    void fit();
    /// The next click gives the colour of the curve.
    void pick_colour(bool on);
    bool is_picking() const { return picking_; }
    /// Clicks and drags tell where the curve of the chosen chart goes, until it is switched off.
    void draw(bool on);
    bool is_drawing() const { return drawing_; }
    /// Where a place of the picture is shown, for tests.
    QPointF px(Point picture) const;

signals:
    void chosen(int chart);
    /// A handle was let go.
    void moved(int chart, const yemvo::ChartFrame&);
    void picked(int chart, yemvo::Colour);
    /// By hand: a place, or a line along the curve, in the picture.
    void drawn(int chart, const std::vector<yemvo::Point>& line);
    /// The last one off again.
    void undrawn();
    void drawing_changed(bool on);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    enum class Handle { centre, outer, inner, zero };
    static constexpr int handles = 4;
    struct Held {
        int chart;
        Handle handle;
    };
    const ChartFrame& frame(int chart) const;
    Point in_picture(QPointF) const;
    QPointF on_ring(const ChartFrame&, double radius_px, double direction_deg) const;
    QPointF place_of(const ChartFrame&, Handle) const;
    std::optional<Held> held_at(QPointF) const;
    void drag_to(QPointF);
    bool begin_line(const QMouseEvent&);
    void nudge(double right, double up);
    QString pointed_words() const;
    void paint_chart(QPainter&, int chart) const;
    void paint_curve(QPainter&, const TracedChart&, const ChartFrame&) const;
    void paint_handles(QPainter&, const ChartFrame&) const;
    void paint_drawn(QPainter&, const TracedChart&) const;
    void paint_lens(QPainter&) const;
    const ChartSheet* sheet_ = nullptr;
    int chosen_ = -1;
    BandId band_ = band_5;
    double scale_ = 1;
    QPointF shift_;
    bool fitted_ = true, picking_ = false, drawing_ = false;
    Handle grip_ = Handle::centre;  ///< what the arrow keys move
    std::vector<Point> line_;       ///< that is being drawn
    std::optional<Held> held_;
    std::optional<ChartFrame> moving_;
    std::optional<QPointF> panned_from_;
    QPointF pointer_;
};

}  // namespace yemvo::app
