// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/materials/types_page.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QTableWidget>
#include <algorithm>

#include "app/forms/choices.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/forms/typed_table.h"
#include "app/look/theme.h"
#include "app/materials/type_list.h"
#include "app/materials/type_plots.h"
#include "app/materials/type_tables.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/library.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {
namespace {

class Ground : public QWidget {
public:
    using QWidget::QWidget;

protected:
    void paintEvent(QPaintEvent*) override { QPainter(this).fillRect(rect(), theme().paper); }
};

template <class Enum, class Name>
QStringList names_of(int count, Name name) {
    QStringList names;
    for (int i = 0; i < count; ++i) names << tr_first(name(static_cast<Enum>(i)));
    return names;
}

}  // namespace

TypesPage::TypesPage(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent), workspace_(workspace), asking_(asking) {
    setObjectName("typesPage");
    setFocusPolicy(Qt::StrongFocus);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    const PageHead head = page_head(this, tr("Materials and wall types"));
    const auto add = [&](const QString& words, const char* object, const QString& tip,
                         void (TypesPage::*run)()) {
        auto* b = push_button(words, object, tip);
        connect(b, &QPushButton::clicked, this, run);
        head.bar->addWidget(b);
    };
    add(tr("Import…"), "readTypes", tr("Adds the types of a library file to this project"),
        &TypesPage::read_file);
    add(tr("Export…"), "writeTypes", tr("Writes all types of this project as a library file"),
        &TypesPage::write_file);
    add(tr("Save to my library"), "keepType", tr("Puts this type into your own library"),
        &TypesPage::keep_personal);
    add(tr("Add from my library"), "takeTypes", tr("Adds your own library to this project"),
        &TypesPage::take_personal);
    auto* back = push_button(tr("Back to the plan"), "main", tr("Esc"));
    back->setProperty("tests", "leaveTypes");
    connect(back, &QPushButton::clicked, this, &TypesPage::left);
    head.bar->addWidget(back);
    column->addWidget(head.widget);
    auto* row = new QHBoxLayout;
    row->setSpacing(1);
    row->addWidget(make_list());
    row->addWidget(make_middle());
    row->addWidget(make_right(), 1);
    column->addLayout(row, 1);
    connect(&workspace_, &Workspace::project_changed, this, [this] {
        if (isVisible()) refresh();  // a drag on the plan must not wait for a page behind it
    });
    connect(&workspace_.document(), &Document::opened, this, [this] {
        shown_ = {};
        form_shape_.clear();
    });
}

QWidget* TypesPage::make_list() {
    auto* side = new Ground(this);
    side->setFixedWidth(350);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    search_ = new QLineEdit;
    search_->setObjectName("typeSearch");
    search_->setPlaceholderText(tr("Find by name, use, group, source"));
    search_->setClearButtonEnabled(true);
    auto* padded = new QHBoxLayout;
    padded->setContentsMargins(10, 8, 10, 6);
    padded->addWidget(search_);
    column->addLayout(padded);
    column->addWidget(band_heads());
    list_ = new QListWidget;
    list_->setObjectName("typeList");
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(type_delegate(workspace_, list_));
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    column->addWidget(list_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(10, 6, 10, 8);
    auto* fresh = push_button(tr("New"), "newType", tr("A type of the same use, from scratch"));
    auto* copy = push_button(tr("Copy"), "copyType", tr("A type like this one"));
    remove_ = push_button(tr("Remove"), "removeType");
    for (QPushButton* b : {fresh, copy, remove_}) foot->addWidget(b, 1);
    column->addLayout(foot);
    connect(search_, &QLineEdit::textChanged, this, &TypesPage::fill_list);
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* now) {
        if (now && now->data(Qt::UserRole).toUInt() != 0)
            show_type(WallTypeId{now->data(Qt::UserRole).toUInt()});
    });
    connect(fresh, &QPushButton::clicked, this, [this] { make_new(false); });
    connect(copy, &QPushButton::clicked, this, [this] { make_new(true); });
    connect(remove_, &QPushButton::clicked, this, &TypesPage::remove);
    return side;
}

QWidget* TypesPage::make_middle() {
    middle_ = new QScrollArea(this);
    middle_->setFixedWidth(400);
    middle_->setWidgetResizable(true);
    middle_->setFrameShape(QFrame::NoFrame);
    middle_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    return middle_;
}

QWidget* TypesPage::make_right() {
    auto* side = new Ground(this);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(8);
    by_frequency_ = new TypePlot(TypePlot::Against::frequency, side);
    by_angle_ = new TypePlot(TypePlot::Against::angle, side);
    column->addWidget(by_frequency_, 3);
    column->addWidget(by_angle_, 3);
    uses_ = new QLabel(side);
    uses_->setObjectName("head");
    column->addWidget(uses_);
    places_ = new QListWidget(side);
    places_->setObjectName("typePlaces");
    places_->setFrameShape(QFrame::NoFrame);
    places_->setMaximumHeight(96);
    places_->setMinimumHeight(50);
    column->addWidget(places_, 1);
    auto* row = new QHBoxLayout;
    other_ = new QComboBox;
    other_->setObjectName("replaceBy");
    replace_ = push_button(tr("Replace everywhere"), "replaceType",
                           tr("Whatever uses this type uses the other one instead"));
    row->addWidget(new QLabel(tr("By")));
    row->addWidget(other_, 1);
    row->addWidget(replace_);
    column->addLayout(row);
    connect(replace_, &QPushButton::clicked, this, &TypesPage::replace);
    connect(places_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
        const FloorId at{item->data(Qt::UserRole).toUInt()};
        std::map<FloorId, std::vector<Item>> found;
        for (const TypeSite& site : uses_of_type(workspace_.project(), shown_))
            if (site.item && site.floor == at) found[at].push_back(*site.item);
        workspace_.in_view().show_floor(at);
        workspace_.activity().set_tool(ToolId::select);
        workspace_.selection().select_everywhere(found);
        emit left();
    });
    return side;
}

const WallType* TypesPage::type() const {
    for (const WallType& t : *workspace_.project().wall_types)
        if (t.id == shown_) return &t;
    return nullptr;
}

void TypesPage::show_type(WallTypeId id) {
    if (id) shown_ = id;
    if (!type() && !workspace_.project().wall_types->empty())
        shown_ = workspace_.project().wall_types->front().id;
    refresh();
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->data(Qt::UserRole).toUInt() == shown_.value) {
            const QSignalBlocker quiet(list_);
            list_->setCurrentRow(i);
            list_->scrollToItem(list_->item(i));
        }
}

void TypesPage::refresh() {
    if (!workspace_.document().is_open() || !shown_) return;
    if (!type())
        shown_ = workspace_.project().wall_types->empty() ? WallTypeId{}
                                                          : workspace_.project().wall_types->front().id;
    const WallType* t = type();
    if (!t) return;
    if (!listed_.same(workspace_.project().wall_types) || list_->count() == 0) fill_list();
    const QString shape = QString("%1 %2 %3 %4 %5")
                              .arg(t->id.value)
                              .arg(static_cast<int>(t->use))
                              .arg(t->losses.empty())
                              .arg(t->losses.size())
                              .arg(t->layers.size());
    if (shape != form_shape_ || !form_) {
        form_shape_ = shape;
        rebuild_form();
    } else {
        form_->refresh();
    }
    by_frequency_->show_type(*t);
    by_angle_->show_type(*t);
    fill_uses();
}

void TypesPage::fill_list() {
    listed_ = workspace_.project().wall_types;
    const QString wanted = search_->text().simplified().toLower();
    std::vector<const WallType*> types;
    for (const WallType& t : *listed_) {
        const QString all = (QString::fromStdString(t.name) + " " + tr_first(use_name(t.use)) + " " +
                             tr_first(group_name(t.group)) + " " + QString::fromStdString(t.source))
                                .toLower();
        if (wanted.isEmpty() || all.contains(wanted)) types.push_back(&t);
    }
    std::stable_sort(types.begin(), types.end(), [](auto* a, auto* b) { return a->group < b->group; });
    const QSignalBlocker quiet(list_);
    list_->clear();
    std::optional<TypeGroup> group;
    for (const WallType* t : types) {
        if (!group || *group != t->group) {
            group = t->group;
            auto* head = new QListWidgetItem(tr_first(group_name(*group)), list_);
            head->setFlags(Qt::NoItemFlags);
            head->setData(Qt::UserRole, 0u);
        }
        auto* item = new QListWidgetItem(QString::fromStdString(t->name), list_);
        item->setData(Qt::UserRole, t->id.value);
        if (t->id == shown_) list_->setCurrentItem(item);
    }
}

void TypesPage::change(const QString& label, const std::function<void(WallType&)>& how) {
    const WallType* t = type();
    if (!t) return;
    WallType changed = *t;
    how(changed);
    if (changed == *t) return;
    workspace_.edit(label, [&](Project& p) { replace_wall_type(p, changed); });
}

void TypesPage::rebuild_form() {
    auto* form = new Form(workspace_);
    form_ = form;
    add_identity(form);
    add_told_by(form);
    if (!type()->losses.empty()) add_losses(form);
    add_layers(form);
    add_bounds(form);
    form->stretch();
    show_in(middle_, form);
}

void TypesPage::add_identity(Form* form) {
    const auto t = [this]() -> const WallType& { return *type(); };
    const auto text = [&](const QString& label, const char* object, std::string WallType::*field) {
        form->name_field(
            form->row(label), object, [t, field] { return QString::fromStdString(t().*field); },
            [this, field](const QString& v) {
                change(tr("Change type"), [&](WallType& x) { x.*field = v.toStdString(); });
            });
    };
    form->group(tr("What it is"));
    text(tr("Name"), "typeName", &WallType::name);
    form->choice(
        form->row(tr("Use")), "typeUse", names_of<TypeUse>(6, use_name),
        [t] { return static_cast<int>(t().use); },
        [this](int i) {
            if (!uses_of_type(workspace_.project(), shown_).empty() && type()->use != static_cast<TypeUse>(i))
                return workspace_.tell(tr("It is used as a %1: replace it there first, or copy it")
                                           .arg(tr_first(use_name(type()->use)).toLower()),
                                       true);
            change(tr("Change type's use"), [&](WallType& x) { x.use = static_cast<TypeUse>(i); });
        });
    form->choice(
        form->row(tr("Group")), "typeGroup", names_of<TypeGroup>(8, group_name),
        [t] { return static_cast<int>(t().group); },
        [this](int i) {
            change(tr("Change type's group"), [&](WallType& x) { x.group = static_cast<TypeGroup>(i); });
        });
    auto* look = form->row(tr("In plan"));
    form->choice(
        look, "typeInk", names_of<Family>(7, family_name), [t] { return static_cast<int>(t().family); },
        [this](int i) {
            change(tr("Change type's ink"), [&](WallType& x) { x.family = static_cast<Family>(i); });
        });
    form->choice(
        look, "typeHatch", names_of<Hatch>(6, hatch_name), [t] { return static_cast<int>(t().hatch); },
        [this](int i) {
            change(tr("Change type's hatch"), [&](WallType& x) { x.hatch = static_cast<Hatch>(i); });
        });
    if (t().use != TypeUse::obstacle)
        form->number_field(
            form->row(tr("Thickness")), "typeThickness", "mm", 0, [t] { return t().thickness_m * 1000; },
            [this](double v) {
                change(tr("Change thickness"), [&](WallType& x) { x.thickness_m = v / 1000; });
            },
            {1, 10000});
    text(tr("Source"), "typeSource", &WallType::source);
    form->name_field(
        form->row(tr("Note")), "typeNote", [t] { return QString::fromStdString(t().note); },
        [this](const QString& v) {
            change(tr("Change note"), [&](WallType& x) { x.note = v.toStdString(); });
        });
}

void TypesPage::add_told_by(Form* form) {
    const auto t = [this]() -> const WallType& { return *type(); };
    form->group(tr("Loss"));
    form->choice(
        form->row(tr("Loss from")), "typeBy", {tr("Measured figures"), tr("Layers, by ITU-R P.2040")},
        [t] { return t().losses.empty() ? 1 : 0; },
        [this](int i) {
            change(i == 0 ? tr("Tell loss by figures") : tr("Tell loss by layers"), [&](WallType& x) {
                if (i == 0 && x.losses.empty()) {
                    for (const Band& b : bands()) {
                        const LossRange l = loss_range(x, b.reference_mhz / 1000);
                        x.losses.push_back({b.reference_mhz / 1000, l.loss_db, l.low_db, l.high_db});
                    }
                } else if (i == 1 && !x.losses.empty()) {
                    x.losses.clear();
                    if (x.layers.empty())
                        x.layers = {{standard_materials().front(), std::max(0.001, x.thickness_m), 0}};
                }
            });
        });
}

void TypesPage::add_losses(Form* form) {
    auto* table = typed_table({"GHz", tr("Low"), tr("Typical"), tr("High")}, "typeLosses");
    form->on_refresh([this, table] { fill_losses(table, type()->losses); });
    form->widget(table);
    connect(
        table, &QTableWidget::cellChanged, this, [this, table] { take_losses(table); }, Qt::QueuedConnection);
    auto* row = form->row({});
    auto* more = push_button(tr("Add a frequency"), "addLoss");
    auto* less = push_button(tr("Remove the row"), "removeLoss");
    row->addWidget(more);
    row->addWidget(less);
    connect(more, &QPushButton::clicked, this, [this] {
        change(tr("Add a frequency"), [](WallType& x) {
            LossPoint p = x.losses.back();
            p.frequency_ghz = std::min(300.0, p.frequency_ghz * 1.2);
            if (p.frequency_ghz > x.losses.back().frequency_ghz) x.losses.push_back(p);
        });
    });
    connect(less, &QPushButton::clicked, this, [this, table] {
        const int at = table->currentRow();
        if (at < 0 || type()->losses.size() < 2)
            return workspace_.tell(tr("At least one frequency stays; choose the row to remove"), true);
        change(tr("Remove a frequency"), [&](WallType& x) { x.losses.erase(x.losses.begin() + at); });
    });
}

void TypesPage::add_layers(Form* form) {
    const auto t = [this]() -> const WallType& { return *type(); };
    form->group(t().losses.empty() ? tr("Layers") : tr("Layers, for the shape against angle"));
    auto* layers = typed_table({tr("Material"), "mm", tr("Ω/sq")}, "typeLayers");
    form->on_refresh([this, layers] {
        fill_layers(layers, type()->layers, [this](std::size_t row, const Material& m) {
            change(tr("Change material"), [&](WallType& x) { x.layers[row].material = m; });
        });
    });
    form->widget(layers);
    connect(
        layers, &QTableWidget::cellChanged, this, [this, layers] { take_layers(layers); },
        Qt::QueuedConnection);
    auto* row = form->row({});
    auto* more = push_button(tr("Add a layer"), "addLayer");
    auto* less = push_button(tr("Remove the row"), "removeLayer");
    row->addWidget(more);
    row->addWidget(less);
    connect(more, &QPushButton::clicked, this, [this] {
        change(tr("Add a layer"), [](WallType& x) {
            x.layers.push_back({standard_materials()[2], 0.0125, 0});
        });
    });
    connect(less, &QPushButton::clicked, this, [this, layers] {
        const int at = layers->currentRow();
        if (at < 0) return workspace_.tell(tr("Choose the layer to remove"), true);
        if (type()->losses.empty() && type()->layers.size() < 2)
            return workspace_.tell(tr("A computed type needs a layer"), true);
        change(tr("Remove a layer"), [&](WallType& x) { x.layers.erase(x.layers.begin() + at); });
    });
    form->text(tr("Valid"), [t] {
        double low = 0, high = 1000;
        for (const Layer& l : t().layers)
            if (l.sheet_ohm <= 0) {
                low = std::max(low, l.material.low_ghz);
                high = std::min(high, l.material.high_ghz);
            }
        if (t().layers.empty()) return tr("no layers");
        QString words = tr("from %1 to %2 GHz").arg(low).arg(high);
        for (const Band& b : bands())
            if (!has_loss_at(t(), b.reference_mhz / 1000))
                words += tr(", not at %1 GHz").arg(QString::fromStdString(b.name));
        return words;
    });
    form->note(tr("Constants by ITU-R P.2040-2. A layer with ohms a square is a coating without thickness."));
}

void TypesPage::add_bounds(Form* form) {
    const auto t = [this]() -> const WallType& { return *type(); };
    form->group(tr("Bounds"));
    if (t().losses.empty())
        form->number_field(
            form->row(tr("Spread")), "typeSpread", "± %", 0, [t] { return t().spread * 100; },
            [this](double v) { change(tr("Change spread"), [&](WallType& x) { x.spread = v / 100; }); },
            {0, 100});
    form->number_field(
        form->row(tr("At most")), "typeMost", "dB", 0, [t] { return t().most_db; },
        [this](double v) { change(tr("Change bound"), [&](WallType& x) { x.most_db = v; }); },
        limits::most_db);
    if (t().use == TypeUse::obstacle)
        form->choice(
            form->row(tr("It is")), "typeSaturates", {tr("Cut off there"), tr("Approached slowly (P.833)")},
            [t] { return t().saturates ? 1 : 0; },
            [this](int i) { change(tr("Change bound"), [&](WallType& x) { x.saturates = i == 1; }); });
}

/// What was typed into a table: taken, or told why not and shown as it is.
void TypesPage::take(const std::function<void()>& typed) {
    try {
        typed();
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
    if (form_) form_->refresh();
}

void TypesPage::take_losses(const QTableWidget* table) {
    take([&] {
        const auto points = losses_in(table);
        change(tr("Change loss"), [&](WallType& x) { x.losses = points; });
    });
}

void TypesPage::take_layers(const QTableWidget* table) {
    take([&] {
        const auto layers = layers_in(table, type()->layers);
        change(tr("Change layers"), [&](WallType& x) {
            x.layers = layers;
            if (x.losses.empty() && x.use != TypeUse::obstacle)
                x.thickness_m = std::clamp(thickness_m(layers), 0.001, 10.0);
        });
    });
}

void TypesPage::fill_uses() {
    const auto sites = uses_of_type(workspace_.project(), shown_);
    std::map<FloorId, std::pair<int, bool>> by_floor;  // things, and whether the slab itself
    for (const TypeSite& s : sites)
        s.item ? void(++by_floor[s.floor].first) : void(by_floor[s.floor].second = true);
    uses_->setText(sites.empty() ? tr("Used nowhere yet")
                                 : counted("Used once", "Used %n times", sites.size()));
    places_->clear();
    for (const Floor* f : all_floors(workspace_.project())) {
        const auto found = by_floor.find(f->id);
        if (found == by_floor.end()) continue;
        QStringList words;
        if (found->second.second) words << tr("its slab");
        if (found->second.first > 0) words << counted("%n thing", "%n things", found->second.first);
        auto* item = new QListWidgetItem(
            QString::fromStdString(floor_title(workspace_.project(), *f)) + ": " + words.join(", "), places_);
        item->setData(Qt::UserRole, f->id.value);
        item->setToolTip(tr("Double click selects them on the plan"));
    }
    remove_->setEnabled(sites.empty());
    remove_->setToolTip(sites.empty() ? ""
                                      : tr("Only a type that nothing uses can be removed: replace it first"));
    const auto types = types_of(workspace_.project(), type()->use);
    const QString before = other_->currentText();
    other_->clear();
    for (WallTypeId id : types)
        if (!(id == shown_))
            other_->addItem(QString::fromStdString(wall_type(workspace_.project(), id).name), id.value);
    other_->setCurrentIndex(std::max(0, other_->findText(before)));
    replace_->setEnabled(!sites.empty() && other_->count() > 0);
}

void TypesPage::make_new(bool as_copy) {
    const WallType* t = type();
    if (!t) return;
    WallType made;
    if (as_copy) {
        made = *t;
        made.name = tr("%1, changed").arg(QString::fromStdString(made.name)).toStdString();
        made.key += "-own";
    } else {
        made.use = t->use;
        made.group = t->group;
        made.family = t->family;
        made.key = "own";
        made.name = tr("New type").toStdString();
        made.source = tr("own figures").toStdString();
        for (const Band& b : bands()) made.losses.push_back({b.reference_mhz / 1000, 5, 3, 8});
    }
    WallTypeId id;
    workspace_.edit(as_copy ? tr("Copy type") : tr("New type"),
                    [&](Project& p) { id = add_wall_type(p, made); });
    show_type(id);
}

void TypesPage::remove() {
    if (!type() || !uses_of_type(workspace_.project(), shown_).empty()) return;
    const WallTypeId gone = shown_;
    const bool last = types_of(workspace_.project(), type()->use).size() < 2;
    if (last) return workspace_.tell(tr("The last type of its use stays: the tools need one"), true);
    workspace_.edit(tr("Remove type"), [&](Project& p) { remove_wall_type(p, gone); });
    show_type({});
}

void TypesPage::replace() {
    const WallTypeId to{other_->currentData().toUInt()};
    if (!to || !type()) return;
    const std::size_t count = uses_of_type(workspace_.project(), shown_).size();
    workspace_.edit(tr("Replace type"), [&](Project& p) { use_other_type(p, shown_, to); });
    workspace_.tell(
        counted("%n thing is of the other type now", "%n things are of the other type now", count));
}

void TypesPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

}  // namespace yemvo::app
