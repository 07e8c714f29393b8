// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/app_window.h"

#include "app/arrange/arrange_feature.h"
#include "app/cables/cables_feature.h"
#include "app/candidates/candidates_feature.h"
#include "app/clients/clients_feature.h"
#include "app/costs/costs_feature.h"
#include "app/demand/demand_feature.h"
#include "app/details/details_feature.h"
#include "app/drawings/drawings_feature.h"
#include "app/files/files_feature.h"
#include "app/findings/findings_feature.h"
#include "app/first_answer/answer_feature.h"
#include "app/gear/gear_feature.h"
#include "app/handover/handover_feature.h"
#include "app/help/help_feature.h"
#include "app/history/history_feature.h"
#include "app/kinds/kinds_feature.h"
#include "app/link_profile/link_profile_feature.h"
#include "app/map/map_feature.h"
#include "app/materials/materials_feature.h"
#include "app/neighbours/neighbours_feature.h"
#include "app/on_air/on_air_feature.h"
#include "app/on_site/on_site_feature.h"
#include "app/palette/palette_feature.h"
#include "app/plan/plan_feature.h"
#include "app/prediction/prediction_feature.h"
#include "app/proof/proof_feature.h"
#include "app/proposal/proposal_feature.h"
#include "app/schedule/schedule_feature.h"
#include "app/section/section_feature.h"
#include "app/settings/settings_feature.h"
#include "app/site/site_feature.h"
#include "app/spectrum/spectrum_feature.h"
#include "app/things/things.h"
#include "app/variants/variants_feature.h"

namespace yemvo::app {

/// In this order they make their offers: menus, tray and header show them so.
struct AppWindow::Features {
    explicit Features(Shell& shell) : shell_(shell) {}
    Shell& shell_;
    FilesFeature files{shell_};
    PredictionFeature prediction{shell_};
    PlanFeature plan{shell_};
    ArrangeFeature arrange{shell_, plan.view()};
    SectionFeature section{shell_};
    SiteFeature site{shell_};
    MapFeature map{shell_};
    KindsFeature kinds{shell_};
    ProofFeature proof{shell_};
    DemandFeature demand{shell_};
    LinkProfileFeature link_profile{shell_};
    SpectrumFeature spectrum{shell_};
    ProposalFeature proposal{shell_, plan.view()};
    ScheduleFeature schedule{shell_};
    CablesFeature cables{shell_, plan.view()};
    OnSiteFeature on_site{shell_};
    FindingsFeature findings{shell_};
    CostsFeature costs{shell_};
    HistoryFeature history{shell_};
    MaterialsFeature materials{shell_};
    GearFeature gear{shell_};
    ClientsFeature clients{shell_};
    AnswerFeature answer{shell_};
    CandidatesFeature candidates{shell_};
    NeighboursFeature neighbours{shell_, plan.view()};
    OnAirFeature on_air{shell_};
    VariantsFeature variants{shell_};
    DrawingsFeature drawings{shell_};
    HandoverFeature handover{shell_};
    DetailsFeature details{shell_};
    SettingsFeature settings{shell_};
    PaletteFeature palette{shell_};
    HelpFeature help{shell_};
};

AppWindow::AppWindow(QWidget* parent) : MainWindow(parent) {
    tell_things();
    features_ = std::make_unique<Features>(*this);
    features_->proposal.tell_in(features_->details.panel());
    complete();
}

AppWindow::~AppWindow() {
    // what the features listen to is still told while they go
    document_.history().disconnect();
    document_.disconnect();
    workspace_.disconnect();
}

void AppWindow::open_file(const QString& file) { features_->files.open_file(file); }
void AppWindow::open_project(const Project& p, const QString& file, const FileMark& mark) {
    features_->files.open_project(p, file, mark);
}
void AppWindow::open_demo() { features_->files.open_demo(); }
void AppWindow::save() { features_->files.save(); }
void AppWindow::save_as() { features_->files.save_as(); }
void AppWindow::import_drawing(const QString& file, PrepareTask::Kind kind, DrawingId id) {
    features_->drawings.import(file, kind, id);
}
void AppWindow::prepare_again(DrawingId id) { features_->drawings.prepare_again(id); }
void AppWindow::export_picture(const QString& file) { features_->plan.export_picture(file); }

bool AppWindow::is_working() const {
    return features_->files.is_working() || features_->drawings.is_working() ||
           features_->plan.is_exporting();
}
bool AppWindow::is_preparing() const { return features_->drawings.is_preparing(); }
bool AppWindow::is_showing_types() const { return features_->materials.is_showing(); }
bool AppWindow::is_checking() const { return features_->findings.is_looking(); }

PlanView& AppWindow::plan() { return features_->plan.view(); }
SiteView& AppWindow::site() { return features_->site.view(); }
SectionView& AppWindow::section() { return features_->section.view(); }
PreparePage& AppWindow::prepare() { return features_->drawings.page(); }
SpectrumPage& AppWindow::spectrum() { return features_->spectrum.page(); }
RetunePage& AppWindow::retuning() { return features_->spectrum.retune(); }
bool AppWindow::is_hearing() const { return features_->neighbours.is_reading(); }
WidthsPage& AppWindow::widths() { return features_->spectrum.widths(); }
ProposalPage& AppWindow::proposal() { return features_->proposal.page(); }
VariantsPage& AppWindow::variants() { return features_->variants.page(); }
WhyAsked& AppWindow::proposal_why() { return features_->proposal.why(); }
OnAirPage& AppWindow::on_air() { return features_->on_air.page(); }
CablesPage& AppWindow::cables() { return features_->cables.page(); }
OnSitePage& AppWindow::on_site() { return features_->on_site.page(); }
HandoverPage& AppWindow::handover() { return features_->handover.page(); }
RadioSchedule& AppWindow::schedule() { return features_->schedule.page(); }
FindingsPage& AppWindow::findings() { return features_->findings.page(); }
DemandPage& AppWindow::demand() { return features_->demand.page(); }
AnswerPage& AppWindow::answer() { return features_->answer.page(); }
ClientsPage& AppWindow::clients() { return features_->clients.page(); }
CostsPage& AppWindow::costs() { return features_->costs.page(); }
ProofPage& AppWindow::proof() { return features_->proof.page(); }
TypesPage& AppWindow::types() { return features_->materials.page(); }
ChartPage& AppWindow::charts() { return features_->gear.charts(); }
CandidatesPage& AppWindow::candidates() { return features_->candidates.page(); }
GearPage& AppWindow::gear() { return features_->gear.page(); }
VersionsPage& AppWindow::versions() { return features_->files.versions(); }
FileGuard& AppWindow::guard() { return features_->files.guard(); }
PredictionRunner& AppWindow::runner() { return features_->prediction.runner(); }

}  // namespace yemvo::app
