// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variants/variants_page.h"

#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QKeyEvent>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/maps_in_step/step_legend.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "app/variants/variant_rows.h"
#include "capacity/capacity_verdict.h"
#include "capacity/site_verdicts.h"
#include "coverage/lens_map.h"
#include "render/tr.h"

namespace yemvo::app {

/// Used on one thread behind the window.
struct VariantsPage::Trials {
    explicit Trials(const std::shared_ptr<MemoryBudget>& memory) : predictor(memory) {}
    Predictor predictor;
    std::map<VariantId, SiteVerdicts> verdicts;
};

VariantsPage::VariantsPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), trials_(std::make_shared<Trials>(workspace.memory())) {
    setObjectName("variantsPage");
    setFocusPolicy(Qt::StrongFocus);
    listen(this, &VariantsPage::follow_project, workspace_, &Workspace::project_changed);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(make_head());
    column->addWidget(make_controls());
    auto* columns = new QWidget(this);
    row_ = new QHBoxLayout(columns);
    row_->setContentsMargins(0, 0, 0, 0);
    column->addWidget(columns, 1);
    legend_ = new StepLegend;
    column->addWidget(legend_);
    table_ = new FiguresTable;
    table_->setObjectName("variantsTable");
    table_->setAccessibleName(tr("Figures of the variants"));
    constexpr int rows_in_view = 11;
    table_->setFixedHeight(26 + rows_in_view * 21 + 4);
    column->addWidget(table_);
}

VariantsPage::~VariantsPage() { behind_.disconnect(); }

QWidget* VariantsPage::make_head() {
    const PageHead head = page_head(this, tr("Variants side by side"));
    about_ = head.about;
    auto* copy = push_button(tr("Copy table"), "copyVariants", tr("For a spreadsheet"));
    auto* back = push_button(tr("Back to the plan"), "leaveVariants", tr("Esc"));
    for (QPushButton* b : {copy, back}) head.bar->addWidget(b);
    connect(copy, &QPushButton::clicked, this, [this] {
        QApplication::clipboard()->setText(table_->as_text());
        workspace_.tell(tr("The table is on the clipboard"));
    });
    connect(back, &QPushButton::clicked, this, &VariantsPage::left);
    return head.widget;
}

QWidget* VariantsPage::make_controls() {
    auto* box = new QWidget(this);
    box->setFixedHeight(36);
    auto* bar = new QHBoxLayout(box);
    bar->setContentsMargins(12, 0, 12, 4);
    bar->setSpacing(6);
    const auto choice = [&](const char* object, const QString& name, const QStringList& entries) {
        QComboBox* combo = add_choice(bar, object, name, entries);
        combo->setToolTip(name);
        return combo;
    };
    QStringList names;
    for (const LensInfo& info : lenses()) names << tr_mark(info.name);
    lens_ = choice("variantsLens", tr("Lens"), names);
    for (std::size_t b = 0; b < band_count(); ++b) {
        bands_[b] = push_button(QString::fromStdString(bands()[b].name), "variantsBand" + QString::number(b));
        bands_[b]->setCheckable(true);
        bar->addWidget(bands_[b]);
        connect(bands_[b], &QPushButton::clicked, this, [this, b] {
            view_.choice.bands = bands()[b].id;
            work_out();
        });
    }
    floors_ = choice("variantsFloor", tr("Floor"), {});
    bar->addStretch(1);
    ways_ = choice("variantsWay", tr("How they stand"),
                   {tr("side by side"), tr("with a divider to drag"), tr("changes against the first")});
    count_ = choice("variantsCount", tr("How many maps"), {tr("2 maps"), tr("3 maps"), tr("4 maps")});
    connect(lens_, &QComboBox::activated, this, [this](int i) {
        view_.choice.lens = lenses()[static_cast<std::size_t>(i)].id;
        view_.choice.threshold = lens(view_.choice.lens).limit;
        work_out();
    });
    connect(floors_, &QComboBox::activated, this, [this] {
        floor_ = FloorId{floors_->currentData().toUInt()};
        fitted_ = false;
        work_out();
    });
    connect(ways_, &QComboBox::activated, this, [this] {
        rebuild();
        refresh_maps();
    });
    connect(count_, &QComboBox::activated, this, [this](int i) {
        const auto& all = workspace_.project().variants;
        shown_.resize(std::min(shown_.size(), static_cast<std::size_t>(i) + 2));
        while (shown_.size() < static_cast<std::size_t>(i) + 2)
            shown_.push_back(all[shown_.size() % all.size()].id);
        rebuild();
        work_out();
    });
    return box;
}

VariantsPage::Way VariantsPage::way() const { return static_cast<Way>(ways_->currentIndex()); }

void VariantsPage::open() {
    const Project& p = workspace_.project();
    shown_.clear();
    // the present one first
    shown_.push_back(p.variant);
    for (const Variant& v : p.variants)
        if (!(v.id == p.variant) && shown_.size() < most) shown_.push_back(v.id);
    results_.assign(shown_.size(), nullptr);
    view_.choice = workspace_.shown().map();
    view_.choice.against = render::Against::nothing;
    view_.choice.only.clear();
    view_.choice.labels = false;
    floor_ = workspace_.floor_id();
    fill_floors();
    rebuild();
    work_out();
}

void VariantsPage::fill_floors() {
    floors_->clear();
    for (const Floor* f : all_floors(workspace_.project()))
        floors_->addItem(QString::fromStdString(floor_title(workspace_.project(), *f)), f->id.value);
    floors_->setCurrentIndex(std::max(0, floors_->findData(floor_.value)));
    floor_ = FloorId{floors_->currentData().toUInt()};
}

/// Undo may have taken a variant or a floor away.
void VariantsPage::follow_project() {
    if (shown_.empty() || !isVisible() || !workspace_.document().is_open()) return;
    const Project& p = workspace_.project();
    std::erase_if(shown_, [&](VariantId id) {
        return std::ranges::find(p.variants, id, &Variant::id) == p.variants.end();
    });
    if (shown_.size() < 2 || all_floors(p).empty()) {
        shown_.clear();
        emit left();
        return;
    }
    fill_floors();
    rebuild();
    work_out();
}

void VariantsPage::update_maps() {
    for (VariantMap* m : maps_) m->update();
}

/// A column a variant; with a divider the first two in one.
void VariantsPage::rebuild() {
    if (columns_) {
        columns_->hide();
        columns_->deleteLater();
    }
    heads_.clear();
    maps_.clear();
    results_.resize(shown_.size());
    columns_ = new QWidget;
    auto* row = new QHBoxLayout(columns_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(1);
    const bool divided = way() == Way::divider;
    const std::size_t maps = divided ? 1 : shown_.size();
    for (std::size_t m = 0; m < maps; ++m) {
        auto* column = new QVBoxLayout;
        column->setSpacing(0);
        auto* heads = new QHBoxLayout;
        heads->setContentsMargins(8, 2, 8, 4);
        for (std::size_t i = m; i < (divided ? std::min<std::size_t>(2, shown_.size()) : m + 1); ++i) {
            auto* head = new QComboBox;
            head->setObjectName("variantHead" + QString::number(i));
            head->setAccessibleName(tr("Variant of map %1").arg(i + 1));
            for (const Variant& v : workspace_.project().variants)
                head->addItem(QString::fromStdString(v.name), v.id.value);
            head->setCurrentIndex(head->findData(shown_[i].value));
            connect(head, &QComboBox::activated, this, [this, i, head] {
                shown_[i] = VariantId{head->currentData().toUInt()};
                results_[i].reset();
                work_out();
            });
            heads->addWidget(head, 1);
            heads_.push_back(head);
        }
        auto* map = new VariantMap;
        map->setObjectName("variantMap" + QString::number(m));
        column->addLayout(heads);
        column->addWidget(map, 1);
        row->addLayout(column, 1);
        maps_.push_back(map);
        map->lead(
            view_, [this] { update_maps(); }, [this] { update_maps(); });
    }
    connect(maps_.front(), &MapInStep::resized, this, [this] {
        fitted_ = false;
        refresh_maps();
    });
    row_->addWidget(columns_);
    count_->setCurrentIndex(static_cast<int>(shown_.size()) - 2);
    count_->setEnabled(!divided);
    fitted_ = false;
}

void VariantsPage::work_out() {
    if (shown_.empty() || !find_floor(workspace_.project(), floor_)) return;
    view_.choice = render::coloured(view_.choice, workspace_.project());
    behind_.request(
        {tr("Working out variants"),
         [this, trials = trials_, project = workspace_.project(), shown = shown_, floor = floor_,
          choice = view_.choice](const AtWork& at) {
             std::vector<std::shared_ptr<const VariantResult>> maps;
             for (const VariantId id : shown) {
                 auto one = std::make_shared<VariantResult>();
                 one->project = project;
                 one->project.variant = id;
                 one->gear = gear_sum(one->project);
                 one->predicted =
                     trials->predictor
                         .predict(one->project, {floor},
                                  wish_to_show(choice.lens, wish_to_judge(one->project)), at.cancel())
                         .floors.front();
                 one->values = lens_values(one->predicted, render::look_of(one->project, choice));
                 at.hand_over([this, i = maps.size(), one] { learn(i, one); });
                 maps.push_back(std::move(one));
             }
             for (std::size_t i = 0; i < maps.size(); ++i) {
                 at.tell(double(i) / double(maps.size()));
                 auto one = std::make_shared<VariantResult>(*maps[i]);
                 auto& verdicts = trials->verdicts.try_emplace(shown[i], trials->predictor).first->second;
                 SiteVerdict judged = verdicts.of(one->project, at.cancel());
                 one->verdict = std::move(judged.verdict);
                 one->capacity = std::move(judged.capacity);
                 if (one->capacity) {
                     one->predicted.air = air_figures(*one->capacity, project.demand.hour);
                     one->values = lens_values(one->predicted, render::look_of(one->project, choice));
                 }
                 at.hand_over([this, i, one] { learn(i, one); });
             }
         },
         [this](const QString& why) { workspace_.tell(why, true); }});
    refresh_maps();
    refresh_table();
}

void VariantsPage::learn(std::size_t i, std::shared_ptr<const VariantResult> result) {
    if (i >= shown_.size() || !(result->project.variant == shown_[i])) return;
    results_[i] = std::move(result);
    refresh_maps();
    refresh_table();
}

void VariantsPage::fit() {
    const Floor* f = find_floor(workspace_.project(), floor_);
    if (maps_.empty() || maps_.front()->width() < 20 || !f) return;
    const auto box = extent(*f);
    if (!box) return;
    fitted_ = true;
    view_.fit(*box, maps_.front()->size());
}

void VariantsPage::refresh_maps() {
    if (shown_.empty()) return;
    if (!fitted_) fit();
    lens_->setCurrentIndex(static_cast<int>(view_.choice.lens));
    for (std::size_t b = 0; b < band_count(); ++b)
        bands_[b]->setChecked(view_.choice.bands.contains(bands()[b].id));
    const bool difference = way() == Way::differences && !lens(view_.choice.lens).is_choice();
    for (std::size_t m = 0; m < maps_.size(); ++m) {
        if (way() == Way::divider)
            maps_[m]->show_both(results_[0], results_.size() > 1 ? results_[1] : nullptr, &view_);
        else if (difference && m > 0 && results_[0] && results_[m])
            maps_[m]->show_difference(results_[m], results_[0], &view_);
        else
            maps_[m]->show_result(results_[m], &view_);
    }
    legend_->show_choice(view_.choice, difference);
    about_->setText(tr("%1; the wheel and dragging move all maps").arg(floors_->currentText()));
}

void VariantsPage::refresh_table() {
    QStringList names;
    for (const VariantId id : shown_)
        for (const Variant& v : workspace_.project().variants)
            if (v.id == id) names << QString::fromStdString(v.name);
    table_->show_figures(names, variant_rows(workspace_.project(), results_), static_cast<int>(names.size()));
}

void VariantsPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void VariantsPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
