// SPDX-License-Identifier: GPL-3.0-or-later
// The whole window: every feature, put together. The one place that knows them all by name.
#pragma once
#include <memory>

#include "app/drawings/prepare_page.h"
#include "app/shell/main_window.h"

namespace yemvo::app {

class AnswerPage;
class ClientsPage;
class CostsPage;
class DemandPage;
class FileGuard;
class FilesFeature;
class FindingsPage;
class PlanView;
class PredictionRunner;
class ProofPage;
class RadioSchedule;
class OnAirPage;
class CablesPage;
class OnSitePage;
class HandoverPage;
class ProposalPage;
class WhyAsked;
class RetunePage;
class WidthsPage;
class SpectrumPage;
class SectionView;
class SiteView;
class TypesPage;
class ChartPage;
class CandidatesPage;
class GearPage;
class VariantsPage;
class VersionsPage;

class AppWindow : public MainWindow {
    Q_OBJECT
public:
    explicit AppWindow(QWidget* parent = nullptr);
    ~AppWindow() override;

    void open_file(const QString& file);
    void open_project(const Project&, const QString& file, const FileMark& = {});
    void open_demo();
    void save();
    void save_as();
    void import_drawing(const QString& file, PrepareTask::Kind = PrepareTask::Kind::lay, DrawingId = {});
    void prepare_again(DrawingId);
    void export_picture(const QString& file);
    /// What is done behind the window with files and drawings is not done yet.
    bool is_working() const;
    bool is_preparing() const;
    bool is_showing_types() const;
    bool is_checking() const;
    bool is_hearing() const;

    PlanView& plan();
    SiteView& site();
    SectionView& section();
    PreparePage& prepare();
    RadioSchedule& schedule();
    CablesPage& cables();
    OnSitePage& on_site();
    HandoverPage& handover();
    SpectrumPage& spectrum();
    RetunePage& retuning();
    WidthsPage& widths();
    OnAirPage& on_air();
    ProposalPage& proposal();
    WhyAsked& proposal_why();
    VariantsPage& variants();
    FindingsPage& findings();
    CostsPage& costs();
    DemandPage& demand();
    ClientsPage& clients();
    AnswerPage& answer();
    ProofPage& proof();
    TypesPage& types();
    GearPage& gear();
    CandidatesPage& candidates();
    ChartPage& charts();
    VersionsPage& versions();
    FileGuard& guard();
    PredictionRunner& runner();

private:
    struct Features;
    std::unique_ptr<Features> features_;
};

}  // namespace yemvo::app
