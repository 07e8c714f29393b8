// The building cut open: storeys at their heights, slabs, access points, share met; chooses the floor in
// view.
#pragma once
#include <QWidget>

#include "app/section/section_layout.h"
#include "app/shell/workspace.h"

namespace yemvo::app {

class SectionView : public QWidget {
    Q_OBJECT
public:
    explicit SectionView(Workspace&, QWidget* parent = nullptr);
    /// Where a floor is drawn, for tests.
    QRectF storey_area(FloorId) const;

signals:
    void add_floor_asked();

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;

private:
    SectionLayout layout_now() const;
    void paint_storey(QPainter&, const SectionStorey&);
    void paint_share(QPainter&, const SectionStorey&, const QRectF& room);
    std::optional<FloorId> floor_at(QPointF) const;
    Workspace& workspace_;
};

}  // namespace yemvo::app
