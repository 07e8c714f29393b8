// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/gear_page.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>

#include "antenna/pattern/measured_pattern.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/gear/lobe_side.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "project/gear_edits.h"
#include "project/project.h"
#include "project/rules.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
GearPage::GearPage(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent), workspace_(workspace), asking_(asking) {
    auto* row = page_body(this, "gearPage", make_head());
    row->addWidget(make_list());
    row->addWidget(make_middle());
    side_ = new LobeSide(this);
    row->addWidget(side_, 1);
    connect(list_, &GearList::chosen, this, &GearPage::show_gear);
    connect(side_, &LobeSide::typed, this, [this](const PatternCuts& cuts) {
        change_lobe(tr("Type pattern values"), [&](Antenna& a) {
            MeasuredPattern pattern{tr("values").toStdString(), a.frame(), Blend::by_angle, {cuts}};
            if (const auto* measured = std::get_if<MeasuredLobe>(&a.lobe)) {
                pattern = measured->pattern();
                for (PatternCuts& c : pattern.cuts)
                    if (c.frequency_mhz == cuts.frequency_mhz) c = cuts;
            }
            a.lobe = MeasuredLobe(std::move(pattern));
        });
    });
    connect(side_, &LobeSide::refused, this, [this](const QString& why) { workspace_.tell(why, true); });
    connect(&workspace_, &Workspace::project_changed, this, [this] {
        if (isVisible()) refresh();  // a drag on the plan must not wait for a page behind it
    });
    connect(&workspace_.document(), &Document::opened, this, [this] {
        shown_ = {};
        band_ = {};
        form_shape_.clear();
    });
}

QWidget* GearPage::make_head() {
    const PageHead head = page_head(this, tr("Gear"));
    const auto add = [&](const QString& words, const char* object, const QString& tip,
                         void (GearPage::*run)()) {
        auto* b = push_button(words, object, tip);
        connect(b, &QPushButton::clicked, this, run);
        head.bar->addWidget(b);
        return b;
    };
    add(tr("Import…"), "readGear", tr("Adds a library of gear, or models of a CSV table, to this project"),
        &GearPage::read_file);
    add(tr("Export…"), "writeGear", tr("Writes all gear of this project as a library file"),
        &GearPage::write_file);
    add(tr("Write pattern…"), "writePattern",
        tr("Writes the pattern shown, in the standard format or as CSV"), &GearPage::write_pattern);
    add(tr("Save to my library"), "keepGear", tr("Puts this into your own library"),
        &GearPage::keep_personal);
    add(tr("Add from my library"), "takeGear", tr("Adds your own library to this project"),
        &GearPage::take_personal);
    place_ = push_button(tr("Place it"), "placeModel", tr("Back to the plan, with this model in hand"));
    connect(place_, &QPushButton::clicked, this, [this] {
        if (model()) emit place(shown_.model);
    });
    head.bar->addWidget(place_);
    auto* back = push_button(tr("Back to the plan"), "main", tr("Esc"));
    back->setProperty("tests", "leaveGear");
    connect(back, &QPushButton::clicked, this, &GearPage::left);
    head.bar->addWidget(back);
    return head.widget;
}

QWidget* GearPage::make_list() {
    auto* side = new QWidget(this);
    side->setFixedWidth(318);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    list_ = new GearList(workspace_, side);
    column->addWidget(list_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(10, 6, 10, 6);
    foot->setSpacing(6);
    auto* fresh = push_button(tr("New model"), "newModel",
                              tr("An access point with two radios, to be filled in from its sheet"));
    auto* fresh_antenna = push_button(tr("New antenna"), "newAntenna");
    for (QPushButton* b : {fresh, fresh_antenna}) foot->addWidget(b, 1);
    column->addLayout(foot);
    foot = new QHBoxLayout;
    foot->setContentsMargins(10, 0, 10, 8);
    foot->setSpacing(6);
    auto* twin = push_button(tr("Copy"), "copyGear", tr("Another one like this"));
    remove_ = push_button(tr("Remove"), "removeGear");
    for (QPushButton* b : {twin, remove_}) foot->addWidget(b, 1);
    column->addLayout(foot);
    connect(fresh, &QPushButton::clicked, this, [this] { make_new(false); });
    connect(fresh_antenna, &QPushButton::clicked, this, [this] { make_new(true); });
    connect(twin, &QPushButton::clicked, this, &GearPage::copy);
    connect(remove_, &QPushButton::clicked, this, &GearPage::remove);
    return side;
}

QWidget* GearPage::make_middle() {
    auto* box = new QWidget(this);
    box->setFixedWidth(372);
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    middle_ = new QScrollArea(box);
    middle_->setWidgetResizable(true);
    middle_->setFrameShape(QFrame::NoFrame);
    middle_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    column->addWidget(middle_, 1);
    uses_ = new QLabel;
    uses_->setObjectName("gearUses");
    auto* foot = new QVBoxLayout;
    foot->setContentsMargins(12, 6, 12, 8);
    foot->addWidget(uses_);
    replacing_ = new QWidget;
    auto* row = new QHBoxLayout(replacing_);
    row->setSpacing(6);
    other_ = new QComboBox;
    other_->setObjectName("replaceModelBy");
    other_->setAccessibleName(tr("Other model"));
    other_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    replace_ =
        push_button(tr("Replace all"), "replaceModel",
                    tr("Each access point of this model becomes one of the other, and keeps what fits"));
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(new QLabel(tr("By")));
    row->addWidget(other_, 1);
    row->addWidget(replace_);
    foot->addWidget(replacing_);
    column->addLayout(foot);
    connect(replace_, &QPushButton::clicked, this, &GearPage::replace);
    return box;
}

const AccessPointModel* GearPage::model() const {
    for (const AccessPointModel& m : *workspace_.project().models)
        if (m.id == shown_.model) return &m;
    return nullptr;
}

const AntennaModel* GearPage::antenna() const {
    return shown_.antenna ? find_antenna(workspace_.project(), shown_.antenna) : nullptr;
}

const Antenna* GearPage::lobe() const {
    if (const AccessPointModel* m = model()) return &m->radios[band_.radio].bands[band_.band].antenna;
    if (const AntennaModel* a = antenna()) return &a->bands[band_.band].antenna;
    return nullptr;
}

BandId GearPage::band_shown() const {
    if (const AccessPointModel* m = model()) return m->radios[band_.radio].bands[band_.band].band;
    return antenna()->bands[band_.band].band;
}

void GearPage::show_gear(GearId id) {
    if (id && !(id == shown_)) {
        shown_ = id;
        band_ = {};
    }
    if (!model() && !antenna() && !workspace_.project().models->empty()) {
        shown_ = {workspace_.project().models->front().id, {}};
        band_ = {};
    }
    refresh();
}

void GearPage::choose_band(ShownBand shown) {
    band_ = shown;
    refresh();
}

void GearPage::refresh() {
    if (!workspace_.document().is_open() || !shown_) return;
    if (!model() && !antenna()) {
        shown_ = {workspace_.project().models->front().id, {}};
        band_ = {};
    }
    if (const AccessPointModel* m = model()) {
        if (band_.radio >= m->radios.size()) band_ = {};
        if (band_.band >= m->radios[band_.radio].bands.size()) band_.band = 0;
    } else if (band_.band >= antenna()->bands.size()) {
        band_ = {};
    }
    list_->refresh(shown_);
    const QString shape = model() ? form_shape(*model(), band_) : form_shape(*antenna(), band_);
    if (shape != form_shape_ || !form_) {
        form_shape_ = shape;
        rebuild_form();
    } else {
        form_->refresh();
    }
    show_lobe();
    fill_uses();
}

void GearPage::rebuild_form() {
    const int scrolled = middle_->verticalScrollBar()->value();
    const auto choose = [this](ShownBand shown) { choose_band(shown); };
    const PatternSources from{[this] { ask_for_pattern(); }, [this] { ask_for_chart(); }};
    Form* form =
        model()
            ? model_form(workspace_,
                         {[this]() -> const AccessPointModel& { return *model(); },
                          [this](const QString& label, const auto& how) { change_model(label, how); }},
                         band_, choose, from)
            : antenna_form(workspace_,
                           {[this]() -> const AntennaModel& { return *antenna(); },
                            [this](const QString& label, const auto& how) { change_antenna(label, how); }},
                           band_, choose, from);
    form_ = form;
    form->refresh();
    show_in(middle_, form);
    middle_->verticalScrollBar()->setValue(scrolled);
}

void GearPage::show_lobe() {
    const Antenna* a = lobe();
    if (!a) return;
    const Band& b = band(band_shown());
    const QString name = QString::fromStdString(model() ? model()->name : antenna()->name);
    side_->show_antenna(tr("%1, %2 GHz").arg(name, QString::fromStdString(b.name)), *a, b.id);
}

void GearPage::fill_uses() {
    const Project& p = workspace_.project();
    const std::size_t uses = model() ? uses_of_model(p, shown_.model) : uses_of_antenna(p, shown_.antenna);
    uses_->setText(uses == 0 ? tr("Used nowhere yet")
                   : model()
                       ? counted("%n access point, all variants", "%n access points, all variants", uses)
                       : counted("On %n radio, all variants", "On %n radios, all variants", uses));
    remove_->setEnabled(uses == 0);
    remove_->setToolTip(uses == 0 ? QString()
                                  : tr("Only what nothing uses can be removed: replace it first"));
    place_->setEnabled(model());
    const QString before = other_->currentText();
    other_->clear();
    if (model())
        for (const AccessPointModel& m : *p.models)
            if (!(m.id == shown_.model)) other_->addItem(QString::fromStdString(m.name), m.id.value);
    other_->setCurrentIndex(std::max(0, other_->findText(before)));
    replacing_->setVisible(model());
    replace_->setEnabled(model() && uses > 0 && other_->count() > 0);
}

void GearPage::change_model(const QString& label, const std::function<void(AccessPointModel&)>& how) {
    const AccessPointModel* m = model();
    if (!m) return;
    AccessPointModel changed = *m;
    how(changed);
    if (!(changed == *m)) workspace_.edit(label, [&](Project& p) { replace_model(p, changed); });
}

void GearPage::change_antenna(const QString& label, const std::function<void(AntennaModel&)>& how) {
    const AntennaModel* a = antenna();
    if (!a) return;
    AntennaModel changed = *a;
    how(changed);
    if (!(changed == *a)) workspace_.edit(label, [&](Project& p) { replace_antenna(p, changed); });
}

void GearPage::change_lobe(const QString& label, const std::function<void(Antenna&)>& how) {
    if (model())
        change_model(label,
                     [&](AccessPointModel& m) { how(m.radios[band_.radio].bands[band_.band].antenna); });
    else
        change_antenna(label, [&](AntennaModel& a) { how(a.bands[band_.band].antenna); });
}

static AccessPointModel blank_model() {
    const auto radio = [](BandId id, int widest_mhz, double gain_dbi, DomeLobe lobe) {
        RadioBand b;
        b.band = id;
        b.widest_mhz = widest_mhz;
        b.antenna = {gain_dbi, lobe};
        return RadioModel{"ax", {b}, 0};
    };
    AccessPointModel m;
    m.key = "own";
    m.name = tr("New model").toStdString();
    m.radios = {radio(band_24, 20, 3, {150, -10}), radio(band_5, 80, 4, {140, -10})};
    m.power = {{PowerSource::at, 20, {{"", {}}}}};
    return m;
}

void GearPage::make_new(bool antenna) {
    GearId made;
    workspace_.edit(antenna ? tr("New antenna") : tr("New model"), [&](Project& p) {
        if (!antenna) {
            made.model = add_model(p, blank_model());
            return;
        }
        AntennaModel fresh{
            {}, "own", tr("New antenna").toStdString(), "N", {{band_5, {8, SectorLobe{65, 60, 0, 22, 20}}}},
            {}};
        made.antenna = add_antenna(p, std::move(fresh));
    });
    show_gear(made);
}

void GearPage::copy() {
    GearId made;
    const auto named = [](std::string& name) {
        name = tr("%1, changed").arg(QString::fromStdString(name)).toStdString();
    };
    workspace_.edit(model() ? tr("Copy model") : tr("Copy antenna"), [&](Project& p) {
        if (model()) {
            AccessPointModel twin = *model();
            named(twin.name);
            made.model = add_model(p, std::move(twin));
        } else if (antenna()) {
            AntennaModel twin = *antenna();
            named(twin.name);
            made.antenna = add_antenna(p, std::move(twin));
        }
    });
    show_gear(made);
}

void GearPage::remove() {
    try {
        const GearId gone = shown_;
        Project trial = workspace_.project();  // a refusal is told before anything is changed
        gone.model ? remove_model(trial, gone.model) : remove_antenna(trial, gone.antenna);
        workspace_.edit(gone.model ? tr("Remove model") : tr("Remove antenna"), [&](Project& p) {
            gone.model ? remove_model(p, gone.model) : remove_antenna(p, gone.antenna);
        });
        show_gear({});
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void GearPage::replace() {
    const ModelId to{other_->currentData().toUInt()};
    if (!to || !model()) return;
    std::vector<AccessPointId> all;
    for (const PlacedAccessPoint& placed : placed_access_points(workspace_.project()))
        if (placed.access_point->model == shown_.model) all.push_back(placed.access_point->id);
    std::vector<ModelChange> changes;
    workspace_.edit(tr("Replace model"), [&](Project& p) { changes = set_model(p, all, to); });
    QStringList told;
    for (const ModelChange& c : changes)
        for (const Said& s : c.changed)
            told << tr("access point %1, %2").arg(QString::number(c.number), said_text(s));
    QString words = counted("%n access point has the other model now",
                            "%n access points have the other model now", changes.size());
    constexpr qsizetype most = 4;
    if (!told.isEmpty()) words += ". " + tr("Not kept: %1").arg(told.mid(0, most).join("; "));
    if (told.size() > most) words += "; " + counted("%n more", "%n more", told.size() - most);
    workspace_.tell(words);
}

void GearPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void GearPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
