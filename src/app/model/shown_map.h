// SPDX-License-Identifier: GPL-3.0-or-later
// What the map shows: lens, bands, whose radios, the change against something.
#pragma once
#include <QObject>
#include <QString>
#include <memory>
#include <vector>

#include "render/map_choice.h"
#include "render/plan_demand.h"

namespace yemvo::app {

class Document;
class Selection;

/// Whose radios the map shows.
enum class RadiosShown { all, selected, ticked };

class ShownMap : public QObject {
    Q_OBJECT
public:
    ShownMap(Document&, Selection&);
    const render::MapChoice& map() const { return map_; }
    void set(const render::MapChoice&);
    /// Another lens, with its own threshold; the rest of the choice stays.
    void look_through(LensId);
    /// The same choice with all radios.
    void show_all_radios(render::MapChoice);
    RadiosShown radios() const { return radios_; }
    void show_radios(RadiosShown);
    const std::vector<AccessPointId>& ticked() const { return ticked_; }
    void tick(AccessPointId, bool);
    /// A variant that is the current one or gone counts as nothing.
    void hold_against(render::Against, VariantId = {});
    /// What is proposed stands beside the plan; null: no more. The map shows the first one, and goes back to
    /// the plan when there is none.
    void set_proposal(std::shared_ptr<const Project>, std::shared_ptr<const AirFigures> air = {});
    bool has_proposal() const { return proposal_ != nullptr; }
    /// At the busy hour looked at; of a proposal, else null.
    const std::shared_ptr<const AirFigures>& air_held_against() const;
    /// Itself, or the change that it would bring.
    void show_proposal(bool itself);
    /// The project that the map is held against now; null for nothing.
    std::shared_ptr<const Project> held_against() const;
    /// "by the last edit", "against variant B", "proposed"; empty where nothing is held against.
    QString other_name() const;

    /// Each client as a dot joined to the radio that serves it.
    bool clients() const { return clients_; }
    void show_clients(bool);
    /// What zones are tinted by in the step Demand.
    render::DemandTint demand_tint() const { return demand_tint_; }
    void tint_demand_by(render::DemandTint);

    /// For the workspace: another project.
    void start();
    /// The same: the project keeps the colours. Not before what is gone has been dropped: views are told.
    void follow_project() { set(map_); }

signals:
    void changed();

private:
    void choose_radios();
    Document& document_;
    Selection& selection_;
    render::MapChoice map_;
    RadiosShown radios_ = RadiosShown::all;
    bool clients_ = false;
    render::DemandTint demand_tint_ = render::DemandTint::people;
    std::vector<AccessPointId> ticked_;
    std::shared_ptr<const Project> proposal_;
    std::shared_ptr<const AirFigures> proposal_air_;
};

}  // namespace yemvo::app
