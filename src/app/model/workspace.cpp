// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/workspace.h"

#include "app/model/activity.h"
#include "app/model/aligning.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/next_things.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/spectrum.h"
#include "app/model/wishes.h"
#include "base/memory_budget.h"

namespace yemvo::app {

/// What listens to another part comes after it, so that it is told before any view.
Workspace::Workspace(Document& document, QObject* parent)
    : QObject(parent),
      document_(document),
      memory_(std::make_shared<MemoryBudget>(usual_budget_bytes())),
      in_view_(std::make_unique<InView>(document)),
      activity_(std::make_unique<Activity>(*in_view_)),
      selection_(std::make_unique<Selection>(*this)),
      next_(std::make_unique<NextThings>()),
      drawings_(std::make_unique<DrawingsInView>(*this)),
      aligning_(std::make_unique<Aligning>()),
      shown_(std::make_unique<ShownMap>(document, *selection_)),
      results_(std::make_unique<Results>(document, *in_view_, *shown_)),
      found_(std::make_unique<FoundFindings>()),
      probing_(std::make_unique<Probing>(*this)),
      spectrum_(std::make_unique<Spectrum>(*this)),
      wishes_(std::make_unique<Wishes>()) {
    connect(&document, &Document::opened, this, &Workspace::project_replaced);
    connect(&document, &Document::changed, this, [this] {
        drop_what_is_gone();
        shown_->follow_project();
        emit project_changed();
    });
}

Workspace::~Workspace() = default;

const Project& Workspace::project() const { return document_.project(); }
const Floor* Workspace::floor() const { return in_view_->floor(); }
FloorId Workspace::floor_id() const { return in_view_->floor_id(); }
LengthUnits Workspace::units() const { return project().settings.units; }

bool Workspace::edit(const QString& label, const std::function<void(Project&)>& change, int merge_key) {
    refusal_ = document_.edit(label, change, merge_key);
    if (refusal_.isEmpty()) return true;
    tell(refusal_, true);
    return false;
}

/// All of it is new before anybody is told.
void Workspace::project_replaced() {
    in_view_->start();
    selection_->start();
    next_->start(project());
    drawings_->start();
    aligning_->clear();
    shown_->start();
    results_->start();
    found_->start();
    probing_->start();
    spectrum_->start();
    emit in_view_->floor_changed();
    emit in_view_->site_changed();
    emit selection_->changed();
    emit results_->changed();
    emit found_->changed();
    emit next_->changed();
    shown_->follow_project();
}

void Workspace::drop_what_is_gone() {
    const bool elsewhere = in_view_->find_another_floor();
    const bool dropped = selection_->drop_what_is_gone();
    const bool other_next = next_->drop_what_is_gone(project());
    // told only now: nobody may look at what was chosen on the floor that is gone
    if (elsewhere) emit in_view_->floor_changed();
    if (dropped) emit selection_->changed();
    if (other_next) emit next_->changed();
}

}  // namespace yemvo::app
