// What the window is about at the moment, besides the project itself: the floor in view, the selection, the
// step, the tool and its types, the map. Every view reads it; edits go through it.
#pragma once
#include <QObject>
#include <array>
#include <map>
#include <memory>
#include <optional>
#include <vector>

#include "app/plan/tool_id.h"
#include "app/shell/document.h"
#include "checks/findings.h"
#include "coverage/probe.h"
#include "coverage/verdict.h"
#include "coverage/worst_places.h"
#include "project/items.h"
#include "render/heat_map.h"

namespace yemvo::app {

enum class Step { venue, demand, placement, spectrum, proof };

/// Which line of a wall is drawn.
enum class WallFace { centre, left, right };

/// How the next obstacle is made.
enum class ObstacleShape { area, rows };

/// What the tools of the step Venue make next.
struct NextKinds {
    WallFace wall_face = WallFace::centre;
    bool wall_to_ceiling = false;
    double wall_base_m = 0;
    double door_width_m = 0.9, door_head_m = 2.1;
    bool door_open = false;
    double window_width_m = 1.5, window_sill_m = 0.9, window_head_m = 2.2;
    ObstacleKind obstacle_kind = ObstacleKind::shelving;
    WallTypeId obstacle_type, column_type, ceiling_type, slab_type, shaft_type, ramp_type;
    ObstacleShape obstacle_shape = ObstacleShape::area;
    double obstacle_top_m = 2.2;
    RowsWanted rows;
    bool column_round = false;
    double column_width_m = 0.4, column_depth_m = 0.4;
    double ceiling_height_m = 2.7;
    bool ceiling_hung = true;
    std::string shaft_name = "Lift";
    bool take_room = false;  ///< a click takes the room round it instead of a drawn outline
    double room_gap_m = 0.3;
    int zone_colour = 0;
};

/// A prediction as it arrives: first the floor in view, then all with the verdict.
struct Prediction {
    Project project;  ///< that it is of
    int of = 0;       ///< Document::opened_count() when it was asked for
    SitePrediction site;
    std::optional<Verdict> verdict;
    std::optional<FloorPrediction> outside;  ///< round the floor in view, while its lens is looked through
    std::optional<FloorPrediction> other;    ///< the floor in view as it was or in another variant
    std::shared_ptr<const Project> other_project;  ///< that `other` is of
    std::vector<WorstPlace> places;                ///< where requirements are missed, while Proof is in front
};

/// Grids that maps and verdicts are offered on.
inline constexpr std::array<double, 3> grids_m{1, 0.5, 0.25};

/// Whose radios the map shows.
enum class RadiosShown { all, selected, ticked };

/// The links of the probe in view, in the map's bands, strongest first.
struct ProbedPlace {
    Probe probe;
    std::vector<LinkExplanation> links;
    std::size_t chosen = 0;  ///< the link that is drawn
    std::shared_ptr<const Scene> scene;
    std::shared_ptr<const std::vector<RadioField>> radios;  ///< of the prediction that was looked at
    QString name() const { return QString("P%1").arg(probe.number); }
    const LinkExplanation* link() const { return chosen < links.size() ? &links[chosen] : nullptr; }
};

/// How a drawing is held against the revision before it.
struct Comparison {
    enum class Show { newer, older, blink, difference } show = Show::newer;
    DrawingId drawing;
    friend bool operator==(const Comparison&, const Comparison&) = default;
};

struct DrawingLines;

class Workspace : public QObject {
    Q_OBJECT
public:
    explicit Workspace(Document&, QObject* parent = nullptr);

    Document& document() { return document_; }
    /// Of all that is kept so that it need not be worked out again.
    const std::shared_ptr<MemoryBudget>& memory() const { return memory_; }
    const Project& project() const { return document_.project(); }
    /// Null only while no project is open.
    const Floor* floor() const { return document_.is_open() ? find_floor(project(), floor_) : nullptr; }
    FloorId floor_id() const { return floor_; }
    const std::vector<Item>& selection() const { return selection_; }
    bool is_selected(const Item&) const;
    Step step() const { return step_; }
    ToolId tool() const { return tool_; }
    const render::MapChoice& map() const { return map_; }
    RadiosShown radios_shown() const { return radios_shown_; }
    void show_radios(RadiosShown);
    const std::vector<AccessPointId>& ticked() const { return ticked_; }
    void tick(AccessPointId, bool);
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
    /// Things of a group are chosen together.
    void select(std::vector<Item>);
    /// Exactly these, whatever group they are in.
    void select_alone(std::vector<Item>);
    /// What is chosen on other floors beside the selection on this one.
    const std::map<FloorId, std::vector<Item>>& selection_elsewhere() const { return elsewhere_; }
    /// On all floors at once; the first floor of the map is shown when the present one has nothing in it.
    void select_everywhere(std::map<FloorId, std::vector<Item>>);
    /// Changes each chosen thing, on every floor, in one edit.
    void edit_selected(const QString& label,
                       const std::function<void(Project&, FloorId, const Item&)>& change);
    /// The lines of the CAD drawings under the floor in view, in its metres; null while there are none.
    const std::shared_ptr<const DrawingLines>& drawing_lines() const { return drawing_lines_; }
    void set_drawing_lines(std::shared_ptr<const DrawingLines> lines) { drawing_lines_ = std::move(lines); }
    void set_step(Step);
    void set_tool(ToolId);
    void set_map(const render::MapChoice&);
    /// Another lens, with its own threshold; the rest of the choice stays.
    void look_through(LensId);
    /// Of maps and verdict alike, since a verdict that changed with the look of the map could not be trusted.
    void choose_grid(double grid_m);
    /// Holds the map against another; a variant that is the current one or gone counts as nothing.
    void hold_against(render::Against, VariantId = {});
    /// The project that the map is held against now; null for nothing.
    std::shared_ptr<const Project> held_against() const;
    /// "before the last edit", "variant B"
    QString other_name() const;
    /// Looks at where a requirement stands: its lens, these bands, its limit, at a place of a floor.
    void look_at(const Requirement&, BandSet, FloorId, std::optional<Point>);
    /// The requirement that Details are about in the step Proof; none: its id is 0.
    RequirementId requirement() const { return requirement_; }
    void choose_requirement(RequirementId);
    /// Label, change, and a key under which a run of edits becomes one. False when it would break a limit of the
    /// project: then nothing has changed, and the reason is told and kept until the next edit.
    bool edit(const QString& label, const std::function<void(Project&)>& change, int merge_key = 0);
    /// Why the last edit was refused; empty when it was not.
    const QString& refusal() const { return refusal_; }
    void forget_refusal() { refusal_.clear(); }
    /// Removes what is selected, in one edit.
    void delete_selection();

    const std::shared_ptr<const Prediction>& prediction() const { return prediction_; }
    const FloorPrediction* floor_prediction() const;
    /// What the map is drawn over: the floor, or for the lens of what is heard outside its surroundings.
    const FloorPrediction* map_prediction() const;
    void set_prediction(std::shared_ptr<const Prediction>);
    /// How many floors of a large site are judged so far, while others are still worked out; none when all are.
    struct JudgedSoFar {
        int floors, all;
    };
    const std::optional<JudgedSoFar>& judged_so_far() const { return judged_so_far_; }
    void set_judged_so_far(int floors, int all);
    /// Verdict before the last edit that changed it, for showing the difference.
    const std::optional<Verdict>& previous_verdict() const { return previous_verdict_; }
    const std::optional<Verdict>& verdict() const { return verdict_; }

    /// None while no probe is chosen or its floor is not predicted.
    const std::optional<ProbedPlace>& probed() const { return probed_; }
    /// 0: none.
    void choose_probe(int number);
    int probe_number() const { return probe_; }
    void choose_link(std::size_t);

    /// What the model's own checks found last; never null.
    const std::shared_ptr<const std::vector<Finding>>& findings() const { return findings_; }
    void set_findings(std::shared_ptr<const std::vector<Finding>>);
    std::size_t open_findings() const;
    /// Goes to where it is and selects what it is about.
    void show_finding(const Finding&);
    /// Where the finding in view lies on the floor in view.
    const std::optional<Point>& marked_place() const { return marked_; }
    void mark_place(std::optional<Point>);

    /// A message for the status line; stays until the next one.
    void tell(const QString& message, bool is_fault = false) { emit told(message, is_fault); }

    WallTypeId wall_kind, door_kind, window_kind;  ///< what the tools draw with
    ModelId model_kind;
    ZoneKind zone_kind = ZoneKind::served;
    std::optional<double> wall_top_m;
    NextKinds next;
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
    void floor_predicted();  ///< the floor in view alone; the rest follows
    void told(const QString& message, bool is_fault);
    void kinds_changed();
    void findings_changed();
    void place_marked();
    void probe_changed();
    void requirement_chosen();

public:
    void kinds_were_changed() { emit kinds_changed(); }

private:
    std::optional<JudgedSoFar> judged_so_far_;
    QString refusal_;
    void project_replaced();
    void drop_what_is_gone();
    Document& document_;
    std::shared_ptr<MemoryBudget> memory_ = std::make_shared<MemoryBudget>(usual_budget_bytes());
    FloorId floor_;
    std::vector<Item> selection_;
    std::map<FloorId, std::vector<Item>> elsewhere_;
    std::shared_ptr<const DrawingLines> drawing_lines_;
    Step step_ = Step::venue;
    ToolId tool_ = ToolId::select;
    void choose_radios();
    render::MapChoice map_;
    RadiosShown radios_shown_ = RadiosShown::all;
    std::vector<AccessPointId> ticked_;
    std::shared_ptr<const Prediction> prediction_;
    std::optional<Verdict> verdict_, previous_verdict_;
    int judged_at_ = -1;
    std::shared_ptr<const std::vector<Finding>> findings_ = std::make_shared<const std::vector<Finding>>();
    std::optional<Point> marked_;
    void look_at_probe();
    void take_part(const Prediction&);
    int probe_ = 0;
    RequirementId requirement_;
    std::optional<ProbedPlace> probed_;
    DrawingId drawing_;
    Comparison comparison_;
    FloorId ghost_;
    bool site_shown_ = false;
    BuildingId building_;
};

}  // namespace yemvo::app
