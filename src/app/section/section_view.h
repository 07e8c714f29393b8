// SPDX-License-Identifier: GPL-3.0-or-later
// The building cut open: storeys at their heights, slabs, access points, share met; chooses the floor in
// view and changes storeys.
#pragma once
#include <QWidget>
#include <optional>

#include "app/model/workspace.h"
#include "app/section/section_layout.h"

class QTimer;
class QToolButton;

namespace yemvo::app {

class SectionView : public QWidget {
    Q_OBJECT
public:
    explicit SectionView(Workspace&, QWidget* parent = nullptr);
    /// Where a floor is drawn, and the slab that a drag takes hold of; for tests.
    QRectF storey_area(FloorId) const;
    QRectF slab_area(FloorId) const;
    SectionLayout layout_now() const;
    double scrolled() const { return scroll_; }

signals:
    void add_floor_asked();
    void duplicate_asked(yemvo::FloorId);
    void align_asked(yemvo::FloorId);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void leaveEvent(QEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    bool event(QEvent*) override;

private:
    /// The storey whose height a slab changes: the one under it.
    struct SlabDrag {
        FloorId storey;
        double from_y = 0, px_per_m = 1, height_m = 0;
        int key = 0;
    };
    void refresh();
    void scroll_to_open();
    void paint_storey(QPainter&, const SectionStorey&);
    void paint_room(QPainter&, const SectionStorey&, bool open);
    void paint_yard(QPainter&, const SectionStorey&, bool open);
    void paint_row(QPainter&, const SectionStorey&);
    void paint_dots(QPainter&, const SectionStorey&, bool open);
    void paint_share(QPainter&, const SectionStorey&, const QRectF& room);
    void paint_stacks(QPainter&, const SectionLayout&);
    void paint_held_slab(QPainter&, const SectionLayout&);
    BuildingId building_of_levels() const;
    std::optional<FloorId> floor_at(QPointF) const;
    std::optional<FloorId> slab_at(QPointF) const;
    Workspace& workspace_;
    QToolButton* site_;
    QTimer* later_;                                ///< runs until an edit is shown
    mutable std::optional<SectionLayout> layout_;  ///< unscrolled; none when something changed
    double scroll_ = 0;
    std::optional<SlabDrag> drag_;
    std::optional<FloorId> hovered_slab_;
};

}  // namespace yemvo::app
