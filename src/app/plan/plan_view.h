// SPDX-License-Identifier: GPL-3.0-or-later
// The plan: a floor drawn with its map, and the surface the tools work on.
#pragma once
#include <QImage>
#include <QPixmap>
#include <QWidget>
#include <optional>
#include <vector>

#include "app/drawings/drawing_lines.h"
#include "app/drawings/drawing_runner.h"
#include "app/model/drawings_in_view.h"
#include "app/model/prediction.h"
#include "app/plan/entry_box.h"
#include "app/plan/key_pointer.h"
#include "app/plan/next_step_bar.h"
#include "app/plan/plan_guest.h"
#include "app/plan/plan_overlay.h"
#include "app/plan/tool.h"
#include "geometry/point.h"
#include "project/item.h"
#include "render/drawings/drawing_layer.h"
#include "render/legend.h"
#include "render/map_choice.h"
#include "render/plan_demand.h"
#include "render/plan_walls.h"
#include "venue/floor.h"

class QTimer;

namespace yemvo {
struct HourCapacity;
}

namespace yemvo::app {

class PlanView : public QWidget, private PlanSurface {
    Q_OBJECT
public:
    explicit PlanView(Workspace&, QWidget* parent = nullptr);
    ~PlanView() override;

    const render::PlanMap& map() const override { return map_; }
    void fit();
    void zoom(double factor);
    const Tool& tool() const { return *tool_; }
    /// Milliseconds the last painting took, for the bench.
    double last_paint_ms() const { return last_paint_ms_; }
    double last_map_ms() const { return last_map_ms_; }
    /// The prediction whose map was painted last.
    const Prediction* painted() const { return painted_; }
    /// A drawing is being decoded behind the window.
    bool is_reading() const { return !drawing_runner_->is_idle() || drawings_pending_; }
    const render::SheetCache& sheets() const { return *sheets_; }
    /// Drawn over the rest from now on, those that came first below the others; it must leave before it goes.
    void add_guest(PlanGuest*);
    void remove_guest(PlanGuest*);

signals:
    void pointer_moved(const Point& at, bool inside);
    void view_changed();
    void hint_changed();
    void next_step_asked(yemvo::app::NextStep);
    /// What can be done at a place of the plan.
    void menu_asked(const QPoint& global, QPointF on_plan);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void keyReleaseEvent(QKeyEvent*) override;
    void leaveEvent(QEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    bool event(QEvent*) override;

    void changeEvent(QEvent*) override;

private:
    /// Drawn round the view, so that a pan has something to show before the next picture arrives.
    static constexpr int margin_px = 160;
    EntryBox& entry() override { return *entry_; }
    void repaint_tool() override;
    void update_with_map();
    void change_tool();
    void floor_shown();
    void project_edited();
    void set_map_view(const render::PlanMap&, bool by_hand = true);
    void redraw_layers();
    void redraw_heat();
    const HourCapacity* hour_on_plan() const;
    void request_drawings();
    bool layers_cover(const render::PlanMap&) const;
    void paint_decoration(QPainter&);
    void go_near(Point);
    PointerEvent pointer(const QMouseEvent&, Qt::MouseButton) const;
    PointerEvent key_pointer_event(Qt::MouseButton) const;
    bool move_key_pointer(const QKeyEvent&);
    void click_key_pointer();
    void hold_key_pointer(bool on);
    /// The fields that the map is coloured from; the same in two predictions means the same map.
    struct HeatOf {
        std::shared_ptr<const std::vector<RadioField>> now, other;
        friend bool operator==(const HeatOf&, const HeatOf&) = default;
    };
    HeatOf heat_of_;
    BadgeStamps badges_;
    std::vector<PlanGuest*> guests_;
    FindingStamps finding_stamps_;
    render::LegendLayout legend() const;
    bool take_legend(QPointF);
    void drag_legend(QPointF);

    Workspace& workspace_;
    EntryBox* entry_;
    NextStepBar* next_step_;
    std::unique_ptr<Tool> tool_;
    render::PlanMap map_;
    bool fitted_ = true;  ///< no zoom or pan by hand since the last fit
    QPixmap under_, over_;
    render::PlanMap layers_map_;  ///< that the layers were drawn for, in their own pixels
    render::PlanMap heat_map_;    ///< that the heat map was coloured for
    QTimer* sharpen_;             ///< runs while the wheel turns: what is drawn is stretched until it ends
    int layers_margin_ = 0;       ///< drawn beyond the view on every side, while it is being panned
    QImage heat_;
    bool layers_old_ = true, heat_old_ = true;
    /// What the drawings were painted for, or are being painted for.
    struct DrawingWish {
        std::vector<Drawing> drawings, ghosts;
        Comparison comparison;
        render::PlanMap map;
        QSize size;
        friend bool operator==(const DrawingWish&, const DrawingWish&) = default;
    };
    std::shared_ptr<FoundLines> found_lines_ = std::make_shared<FoundLines>();
    FoundLines::Lines lines_of_;  ///< that the workspace was given last
    DrawingRunner* drawing_runner_;
    std::shared_ptr<render::SheetCache> sheets_;
    DrawingWish wish_;
    PaintedView drawings_;
    FloorId drawings_of_;
    QTimer* blink_;
    QTimer* awaiting_;  ///< runs while a map is on its way that the next painting waits for
    bool blink_older_ = false;
    bool drawings_pending_ = false;
    QString drawing_fault_;
    std::vector<float> values_;
    render::MapChoice painted_map_;  ///< what the values are of
    render::MapStatistics statistics_;
    std::optional<QPointF> panning_;
    bool space_down_ = false, space_used_ = false, legend_held_ = false;
    KeyPointer key_pointer_;
    Floor drawn_floor_;
    Shared<std::vector<WallType>> drawn_types_;
    Display drawn_display_;
    std::string drawn_hour_;
    render::DemandTint drawn_tint_ = render::DemandTint::people;
    bool drawn_clients_ = false;
    std::vector<Item> drawn_chosen_;
    const Prediction* painted_ = nullptr;  ///< only compared, never looked into
    double last_paint_ms_ = 0, last_map_ms_ = 0;
};

}  // namespace yemvo::app
