// What the window is about at the moment, besides the project itself: the floor in view, the selection, the
// step, the tool and its types, the map. Every view reads it; edits go through it.
#pragma once
#include <QObject>
#include <memory>
#include <optional>
#include <vector>

#include "app/shell/document.h"
#include "coverage/verdict.h"
#include "render/heat_map.h"

namespace yemvo::app {

enum class Step { venue, demand, placement, spectrum, proof };
enum class ToolId { select, wall, door, window, zone, slab_void, access_point, scale, align, plate };

/// One selected thing on the floor in view.
struct Item {
    enum class Kind { wall, opening, zone, slab_void, access_point } kind;
    std::uint32_t id;
    std::uint32_t wall = 0;  ///< of an opening: the wall it is in
    friend bool operator==(const Item&, const Item&) = default;
};

/// A prediction as it arrives: the floors that are ready, and the verdict once all are.
struct Prediction {
    SitePrediction site;
    std::optional<Verdict> verdict;
};

/// How a drawing is held against the revision before it.
struct Comparison {
    enum class Show { newer, older, blink, difference } show = Show::newer;
    DrawingId drawing;
    friend bool operator==(const Comparison&, const Comparison&) = default;
};

class Workspace : public QObject {
    Q_OBJECT
public:
    explicit Workspace(Document&, QObject* parent = nullptr);

    Document& document() { return document_; }
    const Project& project() const { return document_.project(); }
    /// Null only while no project is open.
    const Floor* floor() const { return document_.is_open() ? find_floor(project(), floor_) : nullptr; }
    FloorId floor_id() const { return floor_; }
    const std::vector<Item>& selection() const { return selection_; }
    bool is_selected(const Item&) const;
    Step step() const { return step_; }
    ToolId tool() const { return tool_; }
    const render::MapChoice& map() const { return map_; }
    bool map_shown() const { return step_ != Step::venue && step_ != Step::demand; }
    LengthUnits units() const { return project().settings.units; }

    void show_floor(FloorId);
    /// The drawing that Details and the scale tool are about: the chosen one, else the first without a scale,
    /// else the topmost. Null for a floor without drawings.
    const Drawing* drawing() const;
    void choose_drawing(DrawingId);
    const Comparison& comparison() const { return comparison_; }
    void compare(const Comparison&);
    /// A floor shown through the one in view while both are aligned; 0 for none.
    FloorId ghost() const { return ghost_; }
    void show_ghost(FloorId);
    /// The site instead of a floor's plan.
    bool site_shown() const { return site_shown_; }
    void show_site(bool);
    BuildingId building_id() const { return building_; }
    /// Null only while no project is open.
    const Building* building() const;
    void choose_building(BuildingId);
    void select(std::vector<Item>);
    void set_step(Step);
    void set_tool(ToolId);
    void set_map(const render::MapChoice&);
    /// Label, change, and a key under which a run of edits becomes one.
    void edit(const QString& label, const std::function<void(Project&)>& change, int merge_key = 0);
    /// Removes what is selected, in one edit.
    void delete_selection();

    const std::shared_ptr<const Prediction>& prediction() const { return prediction_; }
    const FloorPrediction* floor_prediction() const;
    void set_prediction(std::shared_ptr<const Prediction>);
    /// Verdict before the last edit that changed it, for showing the difference.
    const std::optional<Verdict>& previous_verdict() const { return previous_verdict_; }
    const std::optional<Verdict>& verdict() const { return verdict_; }

    /// A message for the status line; stays until the next one.
    void tell(const QString& message, bool is_fault = false) { emit told(message, is_fault); }

    WallTypeId wall_kind, door_kind, window_kind;  ///< what the tools draw with
    ModelId model_kind;
    ZoneKind zone_kind = ZoneKind::served;
    std::optional<double> wall_top_m;
    enum class ScaleMode { length, area, check } scale_mode = ScaleMode::length;
    bool scale_with_floor = false;  ///< what is drawn on the floor is enlarged with its drawing
    /// Pairs of places picked by the align tool: on the floor in view, and where it belongs on the ghost.
    std::vector<PointPair> align_pairs;
    Freedom align_freedom = Freedom::shift_turn;

signals:
    void project_changed();
    void drawing_changed();  ///< another is chosen, compared, or shown as a ghost
    void site_changed();     ///< site or floor, or another building chosen
    void floor_changed();
    void selection_changed();
    void step_changed();
    void tool_changed();
    void map_changed();
    void prediction_changed();
    void told(const QString& message, bool is_fault);
    void kinds_changed();

public:
    void kinds_were_changed() { emit kinds_changed(); }

private:
    void project_replaced();
    void drop_what_is_gone();
    Document& document_;
    FloorId floor_;
    std::vector<Item> selection_;
    Step step_ = Step::venue;
    ToolId tool_ = ToolId::select;
    render::MapChoice map_;
    std::shared_ptr<const Prediction> prediction_;
    std::optional<Verdict> verdict_, previous_verdict_;
    int judged_at_ = -1;
    DrawingId drawing_;
    Comparison comparison_;
    FloorId ghost_;
    bool site_shown_ = false;
    BuildingId building_;
};

/// Whether the item still exists on the floor.
bool exists(const Project&, const Floor&, const Item&);

}  // namespace yemvo::app
