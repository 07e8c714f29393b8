// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/handover_page.h"

#include <QCheckBox>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>

#include "app/asking/asking.h"
#include "app/asking/file_names.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/handover/place_form.h"
#include "app/handover/report_side.h"
#include "app/model/document.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "project/safe_file.h"
#include "render/report/plan_pictures.h"
#include "render/report/sections.h"
#include "render/report/written_report.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

namespace report = render::report;
using Facts = std::shared_ptr<const report::ReportFacts>;

constexpr int side_px = 318;

/// Of the report only what decides which maps are worked out.
Project basis_of(const Project& project) {
    Project basis = project;
    basis.handover.report = {};
    basis.handover.report.maps = project.handover.report.maps;
    basis.handover.report.sections = {{"maps", report::is_chosen(project.handover.report, "maps")}};
    basis.display.hidden.clear();
    basis.display.locked.clear();
    return basis;
}

std::shared_ptr<const LaidReport> laid(const Facts& facts) {
    auto out = std::make_shared<LaidReport>();
    out->facts = facts;
    out->report = report::make_report(*facts);
    out->pages = report::lay_out(out->report);
    return out;
}

Facts gathered(const Project& project, const AtWork& at, const report::WishedMaps& maps = {}) {
    Predictor predictor;
    return std::make_shared<const report::ReportFacts>(report::gather_report(
        project, predictor, at.cancel(), [&](double share) { at.tell(share); }, maps));
}

/// The same facts with other choices.
Facts with_choices(const Facts& facts, const Project& project) {
    auto out = std::make_shared<report::ReportFacts>(*facts);
    out->plan.project = project;
    return out;
}

bool stops(const std::vector<report::ReportFault>& faults) {
    return std::ranges::any_of(faults, &report::ReportFault::stops);
}

}  // namespace

HandoverPage::HandoverPage(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      asking_(asking),
      behind_(Behind::Manner{Behind::Takes::newest, std::chrono::milliseconds(250), {}, 1, true}),
      writing_(Behind::Manner{Behind::Takes::all, {}, {}, 1, true}),
      freeing_(Behind::Manner{Behind::Takes::all, {}, {}, 1, true}),
      side_(new ReportSide(workspace, asking)),
      preview_(new ReportPreview) {
    auto* row = page_body(this, "handoverPage", make_head());
    row->addWidget(make_side());
    auto* right = new QWidget(this);
    auto* column = new QVBoxLayout(right);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    faults_ = new QLabel;
    faults_->setObjectName("reportFaults");
    faults_->setWordWrap(true);
    faults_->setContentsMargins(18, 10, 18, 4);
    column->addWidget(faults_);
    column->addWidget(preview_, 1);
    row->addWidget(right, 1);
    connect(&workspace_, &Workspace::project_changed, this, [this] {
        if (isVisible()) refresh();
    });
    connect(&workspace_.document(), &Document::opened, this, [this] {
        basis_ = {};
        show_pages(nullptr);
    });
    connect(preview_, &ReportPreview::failed, this, [this](const QString& why) {
        workspace_.tell(tr("A page of the report cannot be painted: %1").arg(why), true);
    });
    for (const Behind* b : {&behind_, &writing_})
        connect(b, &Behind::progressed, this, &HandoverPage::progressed);
}

HandoverPage::~HandoverPage() {
    behind_.disconnect();
    writing_.disconnect();
}

QWidget* HandoverPage::make_head() {
    const PageHead head = page_head(this, tr("Hand over"));
    about_ = head.about;
    about_->setObjectName("reportAbout");
    const auto zoom = [&](const QString& words, const char* object, const QString& tip, int by) {
        auto* b = push_button(words, object, tip);
        connect(b, &QPushButton::clicked, this,
                [this, by] { preview_->set_columns(preview_->columns() + by); });
        head.bar->addWidget(b);
    };
    zoom(tr("Larger"), "pagesLarger", tr("Fewer pages beside each other"), -1);
    zoom(tr("Smaller"), "pagesSmaller", tr("More pages beside each other"), 1);
    write_ = push_button(tr("Write report…"), "writeReport", tr("As PDF, web page or OpenDocument text"));
    connect(write_, &QPushButton::clicked, this, &HandoverPage::write_report);
    head.bar->addWidget(write_);
    auto* back = push_button(tr("Back to the plan"), "main", tr("Esc"));
    back->setProperty("tests", "leaveHandover");
    connect(back, &QPushButton::clicked, this, &HandoverPage::left);
    head.bar->addWidget(back);
    return head.widget;
}

QWidget* HandoverPage::make_side() {
    auto* all = new QWidget;
    auto* column = new QVBoxLayout(all);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(side_);
    column->addWidget(make_files());
    column->addStretch(1);
    return page_side(this, all, side_px);
}

QWidget* HandoverPage::make_files() {
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(12, 0, 12, 14);
    column->setSpacing(6);
    column->addWidget(group_head(tr("Files for other programs")));
    for (const FileKind& kind : report::all_file_kinds()) {
        auto* tick = new QCheckBox(QString(kind.key).toUpper());
        tick->setObjectName(QString("files-%1").arg(kind.key));
        tick->setProperty("kind", QString(kind.key));
        tick->setToolTip(tr_first(kind.what));
        tick->setChecked(true);
        kinds_.push_back(tick);
    }
    auto* grid = new QGridLayout;
    grid->setSpacing(4);
    for (std::size_t i = 0; i < kinds_.size(); ++i)
        grid->addWidget(kinds_[i], static_cast<int>(i / 2), static_cast<int>(i % 2));
    column->addLayout(grid);
    auto* write = push_button(tr("Write into a folder…"), "writeFiles",
                              tr("Tables, plans and radio settings, as ticked"));
    connect(write, &QPushButton::clicked, this, &HandoverPage::write_files);
    column->addWidget(write);
    place_ = place_form(workspace_);
    place_->layout()->setContentsMargins(0, 8, 0, 0);
    column->addWidget(place_);
    return box;
}

QString HandoverPage::doing() const {
    const QString writing = writing_.words();
    return writing.isEmpty() ? behind_.words() : writing;
}

void HandoverPage::stop() {
    behind_.stop();
    writing_.stop();
}

bool HandoverPage::still_holds(const Project& project) const { return laid_ && basis_of(project) == basis_; }

void HandoverPage::showEvent(QShowEvent*) { refresh(); }

void HandoverPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape)
        emit left();
    else
        QWidget::keyPressEvent(e);
}

bool HandoverPage::tell_faults() {
    const auto faults = report::report_faults(workspace_.project());
    QStringList lines;
    for (const report::ReportFault& f : faults) lines << said_text(f.what);
    faults_->setText(lines.join("\n"));
    faults_->setVisible(!lines.isEmpty());
    const bool may_go_on = !stops(faults);
    write_->setEnabled(may_go_on);
    return may_go_on;
}

void HandoverPage::refresh() {
    if (!workspace_.document().is_open()) return;
    side_->refresh();
    place_->refresh();
    const Project& project = workspace_.project();
    if (!tell_faults()) {
        behind_.stop();
        about_->setText({});
        show_pages(nullptr);
        return;
    }
    if (laid_ && laid_->facts->project() == project) return;
    if (!laid_) about_->setText(tr("being made…"));
    behind_.request(job(
        tr("Making the report"),
        [project, known = still_holds(project) ? laid_->facts : nullptr](const AtWork& at) {
            return laid(known ? with_choices(known, project) : gathered(project, at));
        },
        [this](const std::shared_ptr<const LaidReport>& made) { take(made); },
        [this](const QString& why) {
            about_->setText({});
            workspace_.tell(tr("Making the report failed: %1").arg(why), true);
        }));
}

void HandoverPage::take(const std::shared_ptr<const LaidReport>& made) {
    basis_ = basis_of(made->facts->project());
    show_pages(made);
    about_->setText(counted("%n page", "%n pages", made->pages.pages.size()));
}

void HandoverPage::show_pages(const std::shared_ptr<const LaidReport>& pages) {
    preview_->show_report(pages);
    // the pages and maps of a tower take long to be freed
    freeing_.request({{}, [old = std::exchange(laid_, pages)](const AtWork&) {}, [](const QString&) {}});
}

void HandoverPage::write_report() {
    const Project& project = workspace_.project();
    const QString typed =
        asking_.save_file(tr("Write report"), file_name_for(QString::fromStdString(project.name), ".pdf"),
                          tr("PDF (*.pdf);;Web page (*.html);;OpenDocument text (*.odt)"));
    if (typed.isEmpty()) return;
    const QString file = report::report_format(typed.toLower().toStdString()) ? typed : typed + ".pdf";
    if (file != typed && QFileInfo::exists(file) && !asking_.overwrite(file)) return;
    const auto format = *report::report_format(file.toLower().toStdString());
    try {
        look_at_target(file.toStdString());
    } catch (const Error& fault) {
        return workspace_.tell(fault_text(fault), true);
    }
    const QString said = QFileInfo(file).fileName();
    const Facts known = still_holds(project) ? laid_->facts : nullptr;
    writing_.request(job(
        tr("Writing %1").arg(said),
        [project, known, format, file](const AtWork& at) {
            const Facts facts = known ? with_choices(known, project) : gathered(project, at);
            const QByteArray bytes = report::written_report(report::make_report(*facts), format, at.cancel(),
                                                            [&](double share) { at.tell(share); });
            replace_file(file.toStdString(), bytes.constData(), static_cast<std::size_t>(bytes.size()));
            return bytes.size();
        },
        [this, said](qsizetype bytes) {
            workspace_.tell(
                tr("%1 is written: %2 MB").arg(said, render::figure(static_cast<double>(bytes) / 1e6, 1)));
        },
        [this, said](const QString& why) {
            workspace_.tell(tr("%1 was not written: %2").arg(said, why), true);
        }));
}

void HandoverPage::write_files() {
    std::vector<std::string> kinds;
    for (const QCheckBox* tick : kinds_)
        if (tick->isChecked()) kinds.push_back(tick->property("kind").toString().toStdString());
    if (kinds.empty()) return workspace_.tell(tr("Tick the files that are to be written"));
    const QString folder = asking_.folder(tr("Write files into"));
    if (folder.isEmpty()) return;
    const Project& project = workspace_.project();
    const report::WishedMaps maps = report::maps_for(kinds);
    // what the preview was made from has no maps for the page in a browser
    const Facts known = still_holds(project) && !maps.web ? laid_->facts : nullptr;
    writing_.request(job(
        tr("Writing files into %1").arg(QFileInfo(folder).fileName()),
        [project, known, kinds, folder, maps](const AtWork& at) {
            look_at_folder(folder.toStdString());  // before the work for it
            const Facts facts = known ? with_choices(known, project) : gathered(project, at, maps);
            std::vector<HandoverFile> files;
            for (const std::string& kind : kinds)
                for (HandoverFile& f : report::all_files(*facts, kind)) files.push_back(std::move(f));
            return yemvo::write_files(folder.toStdString(), files, at.cancel(),
                                      [&](double share) { at.tell(share); });
        },
        [this, folder](std::size_t count) {
            workspace_.tell(counted("%n file", "%n files", count) + " " + tr("written into %1").arg(folder));
        },
        [this](const QString& why) {
            workspace_.tell(tr("Not all files were written: %1").arg(why), true);
        }));
}

}  // namespace yemvo::app
