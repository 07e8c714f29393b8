// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/map/lens_bar.h"

#include <QApplication>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QToolButton>

#include "app/look/theme.h"
#include "app/map/map_menu.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/wishes.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

/// An icon that is drawn, sharp at either scale.
template <class Paint>
static QIcon drawn_icon(QSize size, Paint paint) {
    QIcon result;
    for (qreal ratio : {1.0, 2.0}) {
        QPixmap pixmap(size * ratio);
        pixmap.setDevicePixelRatio(ratio);
        pixmap.fill(Qt::transparent);
        QPainter p(&pixmap);
        paint(p);
        p.end();
        result.addPixmap(pixmap);
    }
    return result;
}

static QIcon band_icon(BandId id) {
    return drawn_icon({12, 12},
                      [id](QPainter& p) { render::paint_band_glyph(p, QPointF(6, 6), id, theme()); });
}

/// The colours of the map in view, from weak to strong.
static QIcon colours_icon(const render::MapScale& scale) {
    return drawn_icon({24, 14}, [&scale](QPainter& p) {
        constexpr int parts = 6;
        for (int i = 0; i < parts; ++i) p.fillRect(QRectF(4 * i, 1, 4, 12), scale.colour(theme(), 2 * i));
        p.setPen(QPen(theme().line, 1));
        p.drawRect(QRectF(0.5, 1.5, 23, 11));
    });
}

LensBar::LensBar(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setFixedHeight(38);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(8, 0, 10, 0);
    row->setSpacing(0);
    lens_ = new QComboBox(this);
    lens_->setObjectName("barCombo");
    lens_->setAccessibleName(tr("Lens"));
    lens_->setMaxVisibleItems(20);
    for (const LensInfo& info : lenses()) {
        lens_->addItem(tr_mark(info.name));
        lens_->setItemData(lens_->count() - 1, tr_mark(info.meaning), Qt::ToolTipRole);
    }
    connect(lens_, &QComboBox::activated, this, [this](int index) {
        workspace_.shown().look_through(lenses()[static_cast<std::size_t>(index)].id);
    });
    row->addWidget(lens_);
    row->addSpacing(6);
    add_bands();
    row->addSpacing(6);
    add_radios();
    row->addSpacing(6);
    for_ = new QLabel(tr("for"), this);
    for_->setFixedWidth(22);
    for_->setObjectName("muted");
    row->addWidget(for_);
    client_ = new QComboBox(this);
    client_->setObjectName("barCombo");
    client_->setAccessibleName(tr("Client"));
    connect(client_, &QComboBox::activated, this, [this](int index) {
        const std::string key = (*workspace_.project().clients)[static_cast<std::size_t>(index)].key;
        workspace_.edit(tr("Choose client"), [&](Project& p) { p.settings.client = key; });
    });
    row->addWidget(client_);
    add_tints();
    add_proposal();
    words_ = new QLabel(this);
    words_->setObjectName("muted");
    words_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(words_, 1);
    height_ = new QToolButton(this);
    height_->setObjectName("barWords");
    height_->setToolTip(
        tr("Client height: the height above the floor at which map and verdict stand. Click to change it"));
    height_->setCursor(Qt::PointingHandCursor);
    connect(height_, &QToolButton::clicked, &workspace.wishes(), &Wishes::client_height);
    row->addWidget(height_);
    row->addStretch(0);
    add_colouring();
    listen(this, &LensBar::refresh, workspace.shown(), &ShownMap::changed, workspace.activity(),
           &Activity::step_changed, workspace, &Workspace::project_changed, workspace.in_view(),
           &InView::floor_changed, workspace.drawings(), &DrawingsInView::changed, workspace.in_view(),
           &InView::site_changed, workspace.selection(), &Selection::changed, workspace.results(),
           &Results::changed);
    refresh();
}

QToolButton* LensBar::segment(const QString& text, const QString& tip) {
    auto* button = new QToolButton(this);
    button->setObjectName("segment");
    button->setText(text);
    button->setToolTip(tip);
    button->setCheckable(true);
    layout()->addWidget(button);
    return button;
}

void LensBar::add_bands() {
    for (const Band& b : bands()) {
        const QString name = QString::fromStdString(b.name);
        QToolButton* button =
            segment(" " + name, tr("%1 GHz. With Ctrl also: the best of several bands").arg(name));
        button->setAccessibleName(tr("band %1").arg(name));
        button->setIcon(band_icon(b.id));
        button->setIconSize({12, 12});
        button->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
        connect(button, &QToolButton::clicked, this, [this, id = b.id] {
            choose_band(workspace_, id,
                        QApplication::keyboardModifiers() & (Qt::ControlModifier | Qt::ShiftModifier));
            shown_.reset();
            refresh();
        });
        bands_.push_back(button);
    }
}

void LensBar::add_radios() {
    const std::pair<QString, QString> choices[] = {
        {tr("All"), tr("The radios of every access point")},
        {tr("Selected"), tr("Only those of the selected access points; of all while none is selected")},
        {tr("Ticked"), tr("Only those of access points that are ticked in the list")}};
    for (int i = 0; i < 3; ++i) {
        QToolButton* button = segment(choices[i].first, choices[i].second);
        button->setObjectName("slimSegment");
        button->setAccessibleName(tr("radios %1").arg(choices[i].first));
        connect(button, &QToolButton::clicked, this, [this, i] {
            workspace_.shown().show_radios(static_cast<RadiosShown>(i));
            shown_.reset();
            refresh();
        });
        radios_.push_back(button);
    }
    auto* list = new QMenu(radios_[2]);
    radios_[2]->setMenu(list);
    radios_[2]->setPopupMode(QToolButton::MenuButtonPopup);
    connect(list, &QMenu::aboutToShow, this, [this, list] { fill_ticks(list); });
}

void LensBar::fill_ticks(QMenu* list) {
    list->clear();
    const auto& ticked = workspace_.shown().ticked();
    for (const PlacedAccessPoint& placed : placed_access_points(workspace_.project())) {
        const AccessPointId id = placed.access_point->id;
        auto* action = list->addAction(QString("%1   %2")
                                           .arg(placed.access_point->number)
                                           .arg(QString::fromStdString(placed.floor->name)));
        action->setCheckable(true);
        action->setChecked(std::find(ticked.begin(), ticked.end(), id) != ticked.end());
        connect(action, &QAction::toggled, this, [this, id](bool on) {
            workspace_.shown().tick(id, on);
            workspace_.shown().show_radios(RadiosShown::ticked);
        });
    }
}

/// In the step Demand, in place of a lens.
void LensBar::add_tints() {
    const std::pair<QString, QString> choices[] = {
        {tr("People"), tr("Zones are tinted by how many people a m² are in them at the busy hour")},
        {tr("Clients"), tr("Zones are tinted by how many clients a m² are in them at the busy hour")},
        {tr("Mbit/s"), tr("Zones are tinted by the Mbit/s down a m² that is asked for at the busy hour")}};
    for (int i = 0; i < render::demand_tints; ++i) {
        QToolButton* button = segment(choices[i].first, choices[i].second);
        button->setObjectName("slimSegment");
        button->setAccessibleName(tr("tint by %1").arg(choices[i].first));
        connect(button, &QToolButton::clicked, this, [this, i] {
            workspace_.shown().tint_demand_by(static_cast<render::DemandTint>(i));
            shown_.reset();
            refresh();
        });
        tints_.push_back(button);
    }
    a_m2_ = new QLabel(" " + tr("a m²") + "   ", this);
    a_m2_->setObjectName("muted");
    layout()->addWidget(a_m2_);
}

/// While a proposal stands beside the plan, in place of whose radios are shown.
void LensBar::add_proposal() {
    const std::tuple<QString, QString, std::function<void(ShownMap&)>> choices[] = {
        {tr("Now"), tr("The map of the present plan"),
         [](ShownMap& s) { s.hold_against(render::Against::nothing); }},
        {tr("Proposed"), tr("The map of the plan that is proposed"),
         [](ShownMap& s) { s.show_proposal(true); }},
        {tr("Change"), tr("By how much the proposal would change the map"),
         [](ShownMap& s) { s.show_proposal(false); }}};
    for (const auto& [words, tip, show] : choices) {
        QToolButton* button = segment(words, tip);
        button->setObjectName("slimSegment");
        button->setAccessibleName(tr("map: %1").arg(words));
        connect(button, &QToolButton::clicked, this, [this, show = show] {
            show(workspace_.shown());
            shown_.reset();
            refresh();
        });
        proposal_.push_back(button);
    }
}

void LensBar::add_colouring() {
    colouring_ = new QToolButton(this);
    colouring_->setObjectName("slimSegment");
    colouring_->setAccessibleName(tr("Colouring"));
    colouring_->setToolTip(tr("How the map is coloured"));
    colouring_->setPopupMode(QToolButton::InstantPopup);
    layout()->addWidget(colouring_);
}

void LensBar::set_colouring(QMenu* menu) { colouring_->setMenu(menu); }

/// By how much the words of whose radios are shown are wider than the ones that the bar was laid out with.
int LensBar::beyond_usual_words() const {
    constexpr int usual = 210;
    int width = 0;
    for (const QToolButton* b : radios_) width += b->sizeHint().width();
    return std::max(0, width - usual);
}

void LensBar::refresh() {
    const bool on = workspace_.activity().shows_map() && !workspace_.in_view().site_shown();
    const bool narrow = width() < 480;  // beside the proof: only what and in which band
    const LensInfo& info = lens(workspace_.shown().map().lens);
    const bool asks_client = on && !narrow && info.needs.client;
    // in a small window, or a language of long words, bands are told by their glyphs, and of whose radios
    // only what holds
    const int room = width() - beyond_usual_words();
    const bool crowded = !narrow && room < 700;
    const bool tight = crowded || (asks_client && room < 810);
    const bool roomy = room >= 820;
    Shown now{workspace_.shown().map(),
              workspace_.shown().radios(),
              on,
              workspace_.in_view().site_shown(),
              narrow,
              tight,
              crowded,
              {},
              {},
              nullptr,
              nullptr,
              {},
              coarser_grid(),
              roomy,
              !on && workspace_.activity().step() == Step::demand && !workspace_.in_view().site_shown(),
              workspace_.shown().demand_tint(),
              workspace_.shown().has_proposal()};
    if (const Floor* f = workspace_.floor()) {
        const SiteSettings& settings = workspace_.project().settings;
        now.client = settings.client;
        now.height = format_length(settings.client_height_m, settings.units);
        now.clients = workspace_.project().clients.identity();
        now.drawings = f->drawings.identity();
        if (const Drawing* d = workspace_.drawings().drawing()) now.drawing = d->id;
    }
    if (shown_ == now) return;
    shown_ = now;
    const render::MapChoice& choice = workspace_.shown().map();
    lens_->setFixedWidth(!asks_client || !tight ? 176 : 150);
    client_->setFixedWidth(crowded ? 124 : tight ? 130 : 164);
    lens_->setCurrentIndex(static_cast<int>(choice.lens));
    lens_->setToolTip(tr_mark(info.meaning));
    lens_->setVisible(on);
    for (std::size_t i = 0; i < bands_.size(); ++i) {
        bands_[i]->setChecked(choice.bands.contains(bands()[i].id));
        bands_[i]->setVisible(on && info.of_radios());
        bands_[i]->setToolButtonStyle(narrow || tight ? Qt::ToolButtonIconOnly
                                                      : Qt::ToolButtonTextBesideIcon);
    }
    for (std::size_t i = 0; i < radios_.size(); ++i) {
        radios_[i]->setChecked(static_cast<std::size_t>(workspace_.shown().radios()) == i);
        radios_[i]->setVisible(on && info.of_radios() && !narrow && !now.proposal &&
                               (!crowded || radios_[i]->isChecked()));
    }
    const bool held = choice.against == render::Against::proposal;
    const std::size_t of_proposal = !held ? 0 : choice.other_itself ? 1 : 2;
    for (std::size_t i = 0; i < proposal_.size(); ++i) {
        proposal_[i]->setChecked(i == of_proposal);
        proposal_[i]->setVisible(on && !narrow && now.proposal);
    }
    for (std::size_t i = 0; i < tints_.size(); ++i) {
        tints_[i]->setChecked(static_cast<std::size_t>(now.tint) == i);
        tints_[i]->setVisible(now.demand);
    }
    a_m2_->setVisible(now.demand);
    for_->setVisible(asks_client && !tight);
    client_->setVisible(asks_client);
    if (asks_client && workspace_.document().is_open()) {
        client_->clear();
        for (const ClientProfile& c : *workspace_.project().clients)
            client_->addItem(QString::fromStdString(c.name));
        const auto& all = *workspace_.project().clients;
        for (std::size_t i = 0; i < all.size(); ++i)
            if (all[i].key == workspace_.project().settings.client)
                client_->setCurrentIndex(static_cast<int>(i));
    }
    colouring_->setVisible(on && !narrow);
    colouring_->setText(choice.is_change() ? tr("Change ") : tr("Colours "));
    colouring_->setIcon(colours_icon(render::scale_of(choice)));
    colouring_->setToolButtonStyle(roomy ? Qt::ToolButtonTextBesideIcon : Qt::ToolButtonIconOnly);
    colouring_->setToolTip(choice.is_change()
                               ? tr("The map shows the change %1").arg(workspace_.shown().other_name())
                               : tr("How the map is coloured, and what it is held against"));
    const Floor* f = workspace_.floor();
    words_->setVisible(!asks_client && !narrow && !(on && f && coarser_grid().isEmpty()));
    height_->setVisible(on && f && info.of_radios() && !asks_client && !narrow && !crowded);
    if (f)
        height_->setText(tr("at %1").arg(
            render::local(format_length(workspace_.project().settings.client_height_m, workspace_.units()))));
    if (workspace_.in_view().site_shown())
        words_->setText(tr("the site from above"));
    else if (on && f)
        words_->setText(coarser_grid());
    else if (const Drawing* d = workspace_.drawings().drawing())
        words_->setText(
            (f->drawings->size() > 1 ? tr("%1 drawings, ").arg(f->drawings->size()) : tr("drawing  ")) +
            QString::fromStdString(d->name) + (d->to_scale() ? "" : tr(", no scale yet")));
    else
        words_->setText(f ? tr("no drawing under this floor") : "");
}

/// Told where the floor is too large for the grid that was asked for.
QString LensBar::coarser_grid() const {
    const FloorPrediction* p = workspace_.results().map_prediction();
    if (!p || p->surface.cell_m <= workspace_.project().settings.grid_m * 1.001) return {};
    return tr("every %1 m").arg(render::figure(p->surface.cell_m, p->surface.cell_m < 1 ? 2 : 0));
}

void LensBar::resizeEvent(QResizeEvent*) { refresh(); }

void LensBar::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange)
        for (std::size_t i = 0; i < bands_.size(); ++i) bands_[i]->setIcon(band_icon(bands()[i].id));
    QWidget::changeEvent(e);
}

void LensBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), theme().line);
}

}  // namespace yemvo::app
