// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/candidates/candidates_page.h"

#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/candidates/candidate_head.h"
#include "app/forms/choices.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/maps_in_step/figures_table.h"
#include "app/maps_in_step/step_legend.h"
#include "coverage/lens_map.h"
#include "coverage/margins.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "project/working_radio.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int head_px = 98;
constexpr LensId offered_lenses[] = {LensId::signal, LensId::snr, LensId::rate_down};

/// A row of the table: its words, and what it tells of a candidate.
struct FigureRow {
    QString name;
    std::function<std::optional<double>(const CandidateFigures&)> value;
    std::function<QString(double)> text;
    bool more_is_better = true;
};

/// No finer than anybody could tell it.
QString reach_text(double m, LengthUnits units) {
    if (units != LengthUnits::metres) return render::figure(m / 0.3048) + " ft";
    return render::figure(m, std::abs(m) < 20 ? 1 : 0) + " m";
}

std::vector<FigureRow> figure_rows(const QString& limit, LengthUnits units) {
    const auto of_radio = [](double CandidateFigures::*field) {
        return [field](const CandidateFigures& f) -> std::optional<double> {
            if (!f.radio) return {};
            return f.*field;
        };
    };
    const auto one = [](double v) { return render::figure(v, 1); };
    const auto length = [units](double m) { return reach_text(m, units); };
    return {
        {tr("Conducted power, dBm"), of_radio(&CandidateFigures::power_dbm), one},
        {tr("Antenna gain, peak, dBi"), of_radio(&CandidateFigures::gain_dbi), one},
        {tr("EIRP, dBm"), of_radio(&CandidateFigures::eirp_dbm), one},
        {tr("Area at %1 or above, this floor").arg(limit), of_radio(&CandidateFigures::area_m2),
         [units](double m2) { return render::local(format_area(m2, units)); }},
        {tr("Reach at %1, nothing in the way").arg(limit), of_radio(&CandidateFigures::free_m), length},
        {tr("Reach at %1, through two walls").arg(limit), of_radio(&CandidateFigures::behind_walls_m),
         length},
        {tr("Rate at 10 m, Mbit/s"), of_radio(&CandidateFigures::rate_mbps),
         [](double v) { return render::figure(v); }},
        {tr("SNR at 10 m, dB"), of_radio(&CandidateFigures::snr_db), one},
        {tr("Price"),
         [](const CandidateFigures& f) { return f.price > 0 ? std::optional(f.price) : std::nullopt; },
         [](double v) { return render::figure(v); }, false},
        {tr("Power drawn at most, W"), [](const CandidateFigures& f) { return f.watts; }, one, false},
    };
}

}  // namespace

CandidatesPage::CandidatesPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), predictor_(std::make_shared<Predictor>(workspace.memory())) {
    setObjectName("candidatesPage");
    setFocusPolicy(Qt::StrongFocus);
    connect(&workspace_, &Workspace::project_changed, this, &CandidatesPage::leave_possible);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(make_head());
    column->addWidget(make_controls());
    auto* columns = new QWidget(this);
    row_ = new QHBoxLayout(columns);
    row_->setContentsMargins(0, 0, 0, 0);
    row_->setSpacing(1);
    column->addWidget(columns, 1);
    legend_ = new StepLegend;
    column->addWidget(legend_);
    table_ = new FiguresTable;
    table_->setObjectName("candidateTable");
    table_->setAccessibleName(tr("Figures of the candidates"));
    table_->setFixedHeight(26 + 10 * 21 + 4);
    column->addWidget(table_);
}

QWidget* CandidatesPage::make_head() {
    const PageHead head = page_head(this, tr("Candidates side by side"));
    title_ = head.title;
    about_ = head.about;
    add_ = push_button(tr("Add a candidate"), "addCandidate");
    auto* copy = push_button(tr("Copy table"), "copyCandidates", tr("For a spreadsheet"));
    use_ = push_button({}, "main");
    use_->setProperty("tests", "useCandidate");
    auto* back = push_button(tr("Back to the plan"), "leaveCandidates", tr("Esc"));
    for (QPushButton* b : {add_, copy, back, use_}) head.bar->addWidget(b);
    connect(add_, &QPushButton::clicked, this, &CandidatesPage::add);
    connect(copy, &QPushButton::clicked, this, &CandidatesPage::copy_table);
    connect(use_, &QPushButton::clicked, this, &CandidatesPage::use_chosen);
    connect(back, &QPushButton::clicked, this, &CandidatesPage::left);
    return head.widget;
}

QWidget* CandidatesPage::make_controls() {
    auto* box = new QWidget(this);
    box->setFixedHeight(36);
    auto* bar = new QHBoxLayout(box);
    bar->setContentsMargins(12, 0, 12, 4);
    bar->setSpacing(6);
    const auto choice = [&](const char* object, const QString& name, const QStringList& entries) {
        return add_choice(bar, object, name, entries);
    };
    QStringList lenses;
    for (LensId id : offered_lenses) lenses << tr_mark(lens(id).name);
    lens_ = choice("candidateLens", tr("Lens"), lenses);
    for (std::size_t b = 0; b < band_count(); ++b) {
        bands_[b] =
            push_button(QString::fromStdString(bands()[b].name), "candidateBand" + QString::number(b));
        bands_[b]->setCheckable(true);
        bar->addWidget(bands_[b]);
        connect(bands_[b], &QPushButton::clicked, this, [this, b] {
            view_.choice.bands = bands()[b].id;
            work_out();
        });
    }
    place_ = choice("candidatePlace", tr("Surroundings"), {tr("at its place"), tr("in the open")});
    bar->addStretch(1);
    auto* label = new QLabel(tr("two walls"));
    label->setObjectName("small");
    bar->addWidget(label);
    for (std::size_t i = 0; i < walls_.size(); ++i) {
        walls_[i] = choice(i == 0 ? "candidateWall0" : "candidateWall1", tr("Wall in the way"), {});
        walls_[i]->setMaximumWidth(190);
        connect(walls_[i], &QComboBox::activated, this, &CandidatesPage::work_out);
    }
    difference_ = choice("candidateDifference", tr("Difference"), {});
    connect(lens_, &QComboBox::activated, this, [this](int i) {
        view_.choice.lens = offered_lenses[static_cast<std::size_t>(i)];
        work_out();
    });
    connect(place_, &QComboBox::activated, this, [this](int i) {
        open_ = i == 1;
        work_out();
    });
    connect(difference_, &QComboBox::activated, this, &CandidatesPage::refresh_maps);
    return box;
}

void CandidatesPage::fill_walls() {
    const Project& p = workspace_.project();
    const auto types = types_of(p, TypeUse::wall);
    for (std::size_t i = 0; i < walls_.size(); ++i) {
        walls_[i]->clear();
        for (WallTypeId id : types)
            walls_[i]->addItem(QString::fromStdString(wall_type(p, id).name), id.value);
        const WallTypeId usual = find_type(p, i == 0 ? "plasterboard" : "glass-single");
        walls_[i]->setCurrentIndex(std::max(0, walls_[i]->findData(usual.value)));
    }
}

void CandidatesPage::open(AccessPointId id) {
    const AccessPoint* ap = find_access_point(workspace_.project(), workspace_.floor_id(), id);
    if (!ap) return;
    floor_ = workspace_.floor_id();
    of_ = id;
    candidates_ = {*ap};
    chosen_ = 0;
    fitted_ = false;
    view_.choice = render::coloured({}, workspace_.project());
    for (const Radio& r : ap->radios)
        if (r.on) view_.choice.bands = r.channel.band;
    for (const Radio& r : ap->radios)
        if (r.on && r.channel.band == band_5) view_.choice.bands = band_5;
    fill_walls();
    add();
}

void CandidatesPage::add() {
    if (candidates_.size() >= most || candidates_.empty()) return;
    // the next model that is not there yet
    const Project& p = workspace_.project();
    const AccessPointModel* fresh = &p.models->front();
    for (const AccessPointModel& m : *p.models)
        if (std::ranges::none_of(candidates_, [&](const AccessPoint& c) { return c.model == m.id; })) {
            fresh = &m;
            break;
        }
    std::vector<Said> unused;
    candidates_.push_back(as_model(p, candidates_.front(), *fresh, unused));
    rebuild_columns();
    choose(candidates_.size() - 1);
    work_out();
}

/// What the project has no model for any more is no candidate: an undo may have taken it away.
void CandidatesPage::leave_possible() {
    const Project& p = workspace_.project();
    const auto possible = [&](const AccessPoint& ap) {
        const auto found = std::ranges::find(*p.models, ap.model, &AccessPointModel::id);
        if (found == p.models->end() || found->radios.size() != ap.radios.size()) return false;
        for (std::size_t r = 0; r < ap.radios.size(); ++r)
            if (!radio_band(*found, r, ap.radios[r].channel.band)) return false;
        return true;
    };
    if (candidates_.empty()) return;
    if (find_floor(p, floor_) && std::ranges::all_of(candidates_, possible)) return;
    std::erase_if(candidates_, [&](const AccessPoint& ap) { return !possible(ap); });
    if (candidates_.size() < 2 || !find_floor(p, floor_)) {
        candidates_.clear();
        results_.clear();
        if (isVisible()) emit left();
        return;
    }
    chosen_ = std::min(chosen_, candidates_.size() - 1);
    rebuild_columns();
    work_out();
}

void CandidatesPage::remove(std::size_t i) {
    if (candidates_.size() <= 2) return;
    candidates_.erase(candidates_.begin() + static_cast<std::ptrdiff_t>(i));
    chosen_ = std::min(chosen_, candidates_.size() - 1);
    rebuild_columns();
    work_out();
}

void CandidatesPage::change(std::size_t i, const std::function<void(AccessPoint&)>& how) {
    how(candidates_[i]);
    work_out();
}

void CandidatesPage::choose(std::size_t i) {
    chosen_ = i;
    refresh_maps();
}

/// A column a candidate, and one for the difference.
void CandidatesPage::rebuild_columns() {
    if (columns_) {
        columns_->hide();
        columns_->deleteLater();
    }
    heads_.clear();
    maps_.clear();
    columns_ = new QWidget;
    auto* row = new QHBoxLayout(columns_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(1);
    const auto wire = [this](CandidateMap* map) {
        connect(map, &CandidateMap::dragged, this, &CandidatesPage::move_to);
        map->lead(
            view_, [this] { refresh_maps(); },
            [this] {
                for (CandidateMap* m : maps_) m->update();
                if (change_map_) change_map_->update();
            });
    };
    for (std::size_t i = 0; i < candidates_.size(); ++i) {
        auto* column = new QVBoxLayout;
        column->setSpacing(0);
        auto* head = new CandidateHead(static_cast<int>(i));
        head->setFixedHeight(head_px);
        auto* map = new CandidateMap;
        map->setObjectName("candidateMap" + QString::number(i));
        column->addWidget(head);
        column->addWidget(map, 1);
        row->addLayout(column, 1);
        heads_.push_back(head);
        maps_.push_back(map);
        wire(map);
        connect(map, &MapInStep::chosen, this, [this, i] { choose(i); });
        connect(
            head, &CandidateHead::removed, this, [this, i] { remove(i); }, Qt::QueuedConnection);
        connect(head, &CandidateHead::changed, this, [this, i](const auto& how) { change(i, how); });
        connect(head, &CandidateHead::model_chosen, this, [this, i](ModelId id) {
            change(i, [&](AccessPoint& ap) {
                std::vector<Said> unused;
                // from what is placed, so that no candidate keeps what another one was
                AccessPoint from = candidates_.front();
                from.position = ap.position;
                ap = as_model(workspace_.project(), from, model(workspace_.project(), id), unused);
            });
        });
    }
    change_map_ = new CandidateMap;
    change_map_->setObjectName("candidateChange");
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    auto* head = new QLabel(tr("Difference"));
    head->setObjectName("head");
    head->setMargin(8);
    head->setFixedHeight(head_px);
    column->addWidget(head);
    column->addWidget(change_map_, 1);
    row->addLayout(column, 1);
    wire(change_map_);
    connect(maps_.front(), &MapInStep::resized, this, [this] {
        fitted_ = false;
        refresh_maps();
    });
    row_->addWidget(columns_);
    add_->setEnabled(candidates_.size() < most);
    difference_->clear();
    for (std::size_t i = 1; i < candidates_.size(); ++i) difference_->addItem(tr("%1 less 1").arg(i + 1));
    difference_->setCurrentIndex(difference_->count() - 1);
    fitted_ = false;
}

CandidateQuestion CandidatesPage::question() const {
    CandidateQuestion q{
        floor_, view_.choice.bands.first(), signal_asked_dbm(workspace_.project(), view_.choice.bands), {}};
    for (const QComboBox* wall : walls_)
        if (const WallTypeId id{wall->currentData().toUInt()}; id) q.walls.push_back(id);
    return q;
}

void CandidatesPage::work_out() {
    if (candidates_.empty() || !find_floor(workspace_.project(), floor_)) return;
    results_.resize(candidates_.size());
    view_.choice.threshold = signal_asked_dbm(workspace_.project(), view_.choice.bands);
    behind_.request(job(
        tr("Working out candidates"),
        [predictor = predictor_, project = workspace_.project(), all = candidates_, q = question(),
         open = open_, choice = view_.choice](const AtWork& at) {
            std::vector<std::shared_ptr<const CandidateResult>> made;
            for (const AccessPoint& ap : all) {
                auto one = std::make_shared<CandidateResult>();
                one->alone = with_one(project, q.floor, ap, open);
                one->floor = q.floor;
                one->predicted =
                    predictor->predict(one->alone, {q.floor}, wish_to_show(choice.lens), at.cancel())
                        .floors.front();
                one->values = lens_values(one->predicted, render::look_of(one->alone, choice));
                one->figures = candidate_figures(one->alone, one->predicted, q);
                made.push_back(std::move(one));
            }
            return made;
        },
        [this](std::vector<std::shared_ptr<const CandidateResult>> made) { taken(std::move(made)); },
        [this](const QString& why) { workspace_.tell(why, true); }));
    refresh_maps();
}

void CandidatesPage::taken(std::vector<std::shared_ptr<const CandidateResult>> made) {
    if (made.size() != candidates_.size()) return;  // one came or went meanwhile
    results_ = std::move(made);
    refresh_maps();
    refresh_table();
}

void CandidatesPage::fit() {
    if (maps_.empty() || maps_.front()->width() < 20) return;
    fitted_ = true;
    constexpr double wide_m = 34;
    view_.map.px_per_m = maps_.front()->width() / wide_m;
    const Point place = candidates_.front().position;
    view_.map.origin =
        QPointF(maps_.front()->rect().center()) - QPointF(place.x, -place.y) * view_.map.px_per_m;
}

void CandidatesPage::refresh_maps() {
    const Project& p = workspace_.project();
    if (candidates_.empty() || !find_floor(p, floor_)) return;
    if (!fitted_) fit();
    const BandId shown = view_.choice.bands.first();
    for (std::size_t b = 0; b < band_count(); ++b) bands_[b]->setChecked(bands()[b].id == shown);
    for (std::size_t i = 0; i < candidates_.size() && i < heads_.size(); ++i) {
        heads_[i]->show_candidate(p, candidates_[i], shown, i == chosen_, candidates_.size() > 2);
        maps_[i]->show_result(i < results_.size() ? results_[i] : nullptr, &view_);
    }
    const auto other = static_cast<std::size_t>(std::max(0, difference_->currentIndex())) + 1;
    const bool both = results_.size() > other && results_[0] && results_[other];
    change_map_->show_difference(both ? results_[other] : nullptr, both ? results_[0] : nullptr, &view_);
    legend_->show_choice(view_.choice);
    about_->setText(tr("for access point %1, %2 up, %3; required %4 dBm")
                        .arg(QString::number(candidates_.front().number),
                             render::local(format_length(candidates_.front().height_m, workspace_.units())),
                             QString::fromStdString(floor_title(p, *find_floor(p, floor_))),
                             render::figure(view_.choice.threshold)));
    use_->setText(tr("Use candidate %1").arg(chosen_ + 1));
}

void CandidatesPage::refresh_table() {
    const auto rows = figure_rows(render::figure(view_.choice.threshold) + " dBm", workspace_.units());
    const int count = static_cast<int>(candidates_.size());
    QStringList heads;
    for (int i = 0; i < count; ++i)
        heads << tr("%1  %2").arg(
            QString::number(i + 1),
            QString::fromStdString(
                model(workspace_.project(), candidates_[static_cast<std::size_t>(i)].model).name));
    for (int i = 1; i < count; ++i) heads << tr("%1 less 1").arg(i + 1);
    std::vector<FiguresRow> shown;
    for (const FigureRow& row : rows) {
        FiguresRow& line = shown.emplace_back(FiguresRow{row.name, {}});
        const auto value = [&](int i) {
            const auto& result = results_[static_cast<std::size_t>(i)];
            return result ? row.value(result->figures) : std::nullopt;
        };
        for (int i = 0; i < count; ++i)
            line.cells.push_back({value(i) ? row.text(*value(i)) : tr("none"), false, false});
        for (int i = 1; i < count; ++i) {
            const auto a = value(0), b = value(i);
            const double by = a && b ? *b - *a : 0;
            const bool same = std::abs(by) < 0.05;
            const QString text = !a || !b ? QString()
                                 : same   ? tr("same")
                                          : (by > 0 ? "+" : "") + row.text(by);
            line.cells.push_back({text, !same && (by > 0) == row.more_is_better, false});
        }
    }
    table_->show_figures(heads, shown, count);
}

void CandidatesPage::move_to(Point to) {
    const double step = 0.1;
    const Point at{std::round(to.x / step) * step, std::round(to.y / step) * step};
    for (AccessPoint& ap : candidates_) ap.position = at;
    work_out();
}

void CandidatesPage::copy_table() const {
    QApplication::clipboard()->setText(table_->as_text());
    workspace_.tell(tr("The table is on the clipboard"));
}

void CandidatesPage::use_chosen() {
    const AccessPoint chosen = candidates_[chosen_];
    if (!find_access_point(workspace_.project(), floor_, of_))
        return workspace_.tell(tr("The access point is gone: place it again first"), true);
    workspace_.edit(tr("Use candidate for access point %1").arg(chosen.number), [&](Project& p) {
        AccessPoint ap = chosen;
        ap.id = of_;
        replace_access_point(p, floor_, ap);
    });
    emit left();
}

void CandidatesPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    if (e->key() >= Qt::Key_1 && e->key() < Qt::Key_1 + static_cast<int>(candidates_.size()))
        return choose(static_cast<std::size_t>(e->key() - Qt::Key_1));
    QWidget::keyPressEvent(e);
}

void CandidatesPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
